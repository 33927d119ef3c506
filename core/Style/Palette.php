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
}
