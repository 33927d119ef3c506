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

    /** @param  string  $name  as cues say it: `ink`, `accent`, `paper`, `contrast`, or RRGGBB; the colour as RRGGBB */
    public function named(string $name): string
    {
        return match ($name) {
            'ink' => $this->ink->hex,
            'accent' => $this->accent->hex,
            'paper' => $this->paper->hex,
            'contrast' => $this->accent->opposite()->hex,
            default => strtoupper($name),
        };
    }
}
