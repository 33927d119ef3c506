<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** What a click of the pointer sounds like: a tone of 1.6 kHz that dies away in 25 ms, 18 dB under full scale. */
final class ClickSound
{
    /** Part of the keys of parts in which one is heard. */
    public const VERSION = 1;

    public const SAMPLES = 1200;

    private const PEAK = 4100;

    private const HERTZ = 1600;

    private const FALL = 220.0;

    /** @return int 16 bits, so many samples after the click */
    public static function at(int $sample): int
    {
        return (int) round(
            self::PEAK * exp(-$sample / self::FALL) * min(1.0, $sample / 24) * sin(2 * M_PI * self::HERTZ * $sample / 48_000),
        );
    }
}
