<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;

/** How long a take can be. */
final class TakeLength
{
    /** Nobody speaks longer than this in one go; sums over thousands of takes stay far below what a number holds. */
    public const LONGEST_SECONDS = 6 * 3600;

    public static function longest(): Tick
    {
        return Tick::ofMilliseconds(self::LONGEST_SECONDS * 1000);
    }
}
