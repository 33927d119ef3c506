<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How large the inset is, named for people. */
enum InsetSize: string
{
    case Small = 'small';
    case Medium = 'medium';
    case Large = 'large';

    /** Part of the frame's width and of its height that a camera of the frame's own shape takes. */
    public function part(): float
    {
        return match ($this) {
            self::Small => 0.18,
            self::Medium => 0.24,
            self::Large => 0.32,
        };
    }
}
