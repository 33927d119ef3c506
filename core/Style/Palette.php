<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Picture\Colour;

/** The colours of a house style. */
final readonly class Palette
{
    /** @param  Colour  $ground  behind slides and camera */
    public function __construct(public Colour $ground, public Colour $ink, public Colour $paper, public Colour $accent)
    {
    }

    /** @return list<Colour> four to write with: ink, accent, paper, and the warm or cold one that stands against the accent */
    public function pens(): array
    {
        return [$this->ink, $this->accent, $this->paper, $this->accent->opposite()];
    }
}
