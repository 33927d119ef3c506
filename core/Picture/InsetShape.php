<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

enum InsetShape: string
{
    case Rectangle = 'rectangle';
    case Rounded = 'rounded';
    case Circle = 'circle';

    /** Radius of the corners of a picture of this size, in pixels. */
    public function radius(int $width, int $height): int
    {
        $side = min($width, $height);

        return match ($this) {
            self::Rectangle => 0,
            self::Rounded => (int) round($side * 0.12),
            self::Circle => intdiv($side, 2),
        };
    }
}
