<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/**
 * Loudness of a whole from the blocks of its parts (ITU-R BS.1770-4): the gates work on the union of all blocks of 400 ms, so
 * nothing has to be measured again when parts are put together.
 */
final class Loudness
{
    /** LUFS. */
    private const ABSOLUTE_GATE = -70.0;

    /** LU below the mean of what passes the absolute gate. */
    private const RELATIVE_GATE = -10.0;

    /** The constant of the standard's formula: loudness is this and ten times the logarithm of the power. */
    private const OFFSET = -0.691;

    /**
     * @param  list<float>  $blocks  loudness of each 400 ms block, LUFS
     * @return float|null LUFS; null when nothing passes the gates
     */
    public static function ofBlocks(array $blocks): ?float
    {
        $loud = self::above($blocks, self::ABSOLUTE_GATE);

        return $loud === [] ? null : self::mean(self::above($loud, self::mean($loud) + self::RELATIVE_GATE));
    }

    /**
     * Blocks as the encoder's meter prints them, one row a tenth of a second.
     *
     * @param  float  $after  seconds; blocks that end at or before this are left out
     * @return list<float> LUFS
     */
    public static function blocks(string $log, float $after): array
    {
        preg_match_all('/t:\s*([\d.]+)\s.*?M:\s*(-?[\d.]+|-?inf|nan)/', $log, $rows, PREG_SET_ORDER);
        $blocks = [];
        foreach ($rows as [, $time, $loudness]) {
            if ((float) $time > $after + 1e-6) {
                $blocks[] = is_numeric($loudness) ? (float) $loudness : -120.7;
            }
        }

        return $blocks;
    }

    /**
     * @param  list<float>  $blocks
     * @return list<float>
     */
    private static function above(array $blocks, float $gate): array
    {
        return array_values(array_filter($blocks, fn (float $b): bool => $b > $gate));
    }

    /** @param  list<float>  $blocks  not empty */
    private static function mean(array $blocks): float
    {
        $power = array_sum(array_map(fn (float $b): float => 10 ** (($b - self::OFFSET) / 10), $blocks)) / max(1, count($blocks));

        return self::OFFSET + 10 * log10($power);
    }
}
