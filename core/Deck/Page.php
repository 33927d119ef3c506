<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

/** A page of slides, as far as it can be compared: its words and what it looks like from afar. */
final readonly class Page
{
    /**
     * @param  string  $text  the words on it, in reading order; empty for a picture
     * @param  list<int>  $look  brightness of 8 x 8 fields, 0..255, row by row; empty when unknown
     */
    public function __construct(public string $id, public string $text, public array $look = [], public string $name = '')
    {
    }
}
