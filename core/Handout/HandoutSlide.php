<?php

declare(strict_types=1);

namespace OpenReel\Core\Handout;

use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Picture\Still;

/** Something seen on the stage, with what is drawn on it in the end, and what is said meanwhile. */
final readonly class HandoutSlide
{
    /**
     * @param  list<Outline>  $ink
     * @param  list<string>  $words
     */
    public function __construct(public string $section, public ?Still $picture, public array $ink = [], public array $words = [])
    {
    }

    /**
     * @param  list<Outline>  $ink
     * @param  list<string>  $words
     */
    public function with(array $ink, array $words): self
    {
        return new self($this->section, $this->picture, $ink === [] ? $this->ink : $ink, [...$this->words, ...$words]);
    }
}
