<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

/** The typefaces of a house style, by the names of their families. */
final readonly class Typefaces
{
    public function __construct(public string $heading, public string $text)
    {
    }
}
