<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Take;

/** What is taken out of a take's long pauses, so that they last as long as its course wants them to. */
final class PauseTightening
{
    private const TICKS_PER_MS = 48;

    /**
     * @param  int  $longest  milliseconds; 0 leaves pauses as they were spoken
     * @return list<array{int, int}> ticks from and until: the middle of each pause, so that words keep their silence
     */
    public static function of(Take $take, int $longest): array
    {
        // Where the script asks for a pause, it is meant.
        if ($longest === 0 || $take->silence_ms > 0) {
            return [];
        }
        $half = intdiv($longest * self::TICKS_PER_MS, 2);
        $out = [];
        foreach ($take->heard['pauses'] ?? [] as [$from, $until]) {
            if ($until - $from > 2 * $half) {
                $out[] = [$from + $half, $until - $half];
            }
        }

        return $out;
    }
}
