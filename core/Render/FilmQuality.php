<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** How much of the picture is given up for a smaller file. */
enum FilmQuality: string
{
    case Small = 'small';
    case Balanced = 'balanced';
    case Sharp = 'sharp';

    /** The constant rate factor of x264: 6 more halve the bits. */
    public function x264(): int
    {
        return match ($this) {
            self::Small => 26,
            self::Balanced => 20,
            self::Sharp => 17,
        };
    }

    /** The same of libvpx-vp9, whose steps are its own (0 to 63). */
    public function vp9(): int
    {
        return match ($this) {
            self::Small => 42,
            self::Balanced => 34,
            self::Sharp => 28,
        };
    }
}
