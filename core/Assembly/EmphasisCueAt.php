<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Script\WordPlace;

/** Something laid over the stage from a place among a section's lines on. */
final readonly class EmphasisCueAt
{
    /**
     * @param  WordPlace|null  $until  where it goes; null at the section's end
     * @param  int|null  $milliseconds  after which it goes before that
     * @param  string  $surface  of the stage it belongs to, see Stage
     */
    public function __construct(
        public Emphasis|Overlay $emphasis,
        public WordPlace $from,
        public ?WordPlace $until,
        public ?int $milliseconds,
        public string $surface,
    ) {
    }

    public function until(WordPlace $until): self
    {
        return new self($this->emphasis, $this->from, $until, $this->milliseconds, $this->surface);
    }
}
