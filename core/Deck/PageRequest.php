<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

use OpenReel\Core\Kernel\CacheKey;

/** A page of a deck that is to be drawn, in plain values. */
final readonly class PageRequest
{
    /** Part of its key: change it when pages come out otherwise. */
    private const VERSION = 1;

    /**
     * @param  string  $pdf  SHA-256 of the file
     * @param  int  $page  counted from 1
     * @param  int  $width  of the box that the picture fills as far as its shape allows, in pixels
     */
    public function __construct(public string $pdf, public int $page, public int $width, public int $height)
    {
    }

    public function key(): string
    {
        return CacheKey::of('page', $this->toArray() + ['recipe' => self::VERSION], '');
    }

    /** @return array{pdf: string, page: int, width: int, height: int} the arguments of the constructor, by name */
    public function toArray(): array
    {
        return ['pdf' => $this->pdf, 'page' => $this->page, 'width' => $this->width, 'height' => $this->height];
    }
}
