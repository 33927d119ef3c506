<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** What a stroke is drawn with. */
enum Tool: string
{
    case Pen = 'pen';

    /** Lets through what lies below it. */
    case Highlighter = 'highlighter';

    public function opacity(): float
    {
        return $this === self::Pen ? 1.0 : 0.38;
    }

    /** Radius in Figure::UNITS. Only a pen grows thicker when it is pressed; 0.5 is what a mouse says. */
    public function radius(bool $isThick, float $pressure): int
    {
        return $this === self::Pen
            ? (int) floor(($isThick ? 46 : 24) * (0.5 + $pressure) + 0.5)
            : ($isThick ? 240 : 140);
    }
}
