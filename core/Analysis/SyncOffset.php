<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Kernel\Tick;

/**
 * By how much one recording of a sound lies behind another of the same sound: the place of the highest normalised
 * cross-correlation, first among whole milliseconds of loudness, then among samples.
 */
final class SyncOffset
{
    /** Samples a second that are compared. */
    public const RATE = 8000;

    /** So much of the sound is compared, where it is loudest. */
    private const SECONDS = 2.5;

    /** Recorders that were started together are never further apart, in seconds. */
    private const MOST = 1.2;

    /** What is no copy of the other correlates less than this. */
    private const LEAST = 0.45;

    private const COARSE = 8;

    /** Where it is loudest is looked for in steps of a quarter of a second. */
    private const STEP = 2000;

    /**
     * @param  list<int>  $sound  samples at RATE
     * @param  list<int>  $copy  samples at RATE of the same, from a recorder started at about the same moment
     * @return int|null ticks by which what is heard in `sound` is heard later in `copy`, below zero when earlier; null when they
     *    do not sound alike
     */
    public static function between(array $sound, array $copy): ?int
    {
        $length = (int) (self::SECONDS * self::RATE);
        $most = (int) (self::MOST * self::RATE);
        $from = self::loudest($sound, $length);
        if ($from === null) {
            return null;
        }
        $length = min($length, count($sound) - $from);
        $coarse = self::best(
            self::envelope(array_slice($sound, $from, $length)),
            self::envelope(array_slice($copy, max(0, $from - $most), $length + $most + min($from, $most))),
            range(0, intdiv($most + min($from, $most), self::COARSE)),
        );
        if ($coarse === null) {
            return null;
        }
        $around = $coarse[0] * self::COARSE - min($from, $most);
        $fine = self::best(
            array_slice($sound, $from, $length),
            $copy,
            range(max(0, $from + $around - 2 * self::COARSE), $from + $around + 2 * self::COARSE),
        );

        return $fine === null || $fine[1] < self::LEAST ? null : (int) round((($fine[0] - $from) * Tick::RATE) / self::RATE);
    }

    /** @param  list<int>  $sound */
    private static function loudest(array $sound, int $length): ?int
    {
        $power = array_map(
            fn (array $some): float => array_sum(array_map(fn (int $v): int => $v * $v, $some)),
            array_chunk($sound, self::STEP),
        );
        $best = null;
        $most = 0.0;
        $steps = intdiv($length, self::STEP);
        for ($i = 0; $i <= max(0, count($power) - $steps); $i++) {
            $sum = array_sum(array_slice($power, $i, $steps));
            if ($sum > $most) {
                [$best, $most] = [$i * self::STEP, $sum];
            }
        }

        return $best;
    }

    /**
     * Loudness a millisecond, its mean taken away.
     *
     * @param  list<int>  $sound
     * @return list<float>
     */
    private static function envelope(array $sound): array
    {
        $loud = array_map(fn (array $some): float => array_sum(array_map(abs(...), $some)), array_chunk($sound, self::COARSE));
        $mean = $loud === [] ? 0.0 : array_sum($loud) / count($loud);

        return array_map(fn (float $v): float => $v - $mean, $loud);
    }

    /**
     * @param  list<int|float>  $a
     * @param  list<int|float>  $b
     * @param  list<int>  $places  where in `b` to look for `a`
     * @return array{int, float}|null place and correlation
     */
    private static function best(array $a, array $b, array $places): ?array
    {
        $best = null;
        $n = count($a);
        $own = sqrt(array_sum(array_map(fn (int|float $v): float => (float) $v * $v, $a)));
        foreach ($places as $place) {
            $end = min($n, count($b) - $place);
            if ($end < $n / 2) {
                break;
            }
            $both = $other = 0.0;
            for ($i = 0; $i < $end; $i++) {
                $v = $b[$place + $i];
                $both += $a[$i] * $v;
                $other += $v * $v;
            }
            $r = $other > 0 && $own > 0 ? $both / ($own * sqrt($other)) : 0.0;
            if ($best === null || $r > $best[1]) {
                $best = [$place, $r];
            }
        }

        return $best;
    }
}
