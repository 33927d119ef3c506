<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Queries\Takes\TakeLevels;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;

/** Stretches of a take that were chosen from word to word: every edge goes to the quietest place near it. */
final class WordEdges
{
    /** So far an edge may go, in milliseconds: from the edge of a word into the silence beside it. */
    private const NEAR_MS = 80;

    /** There it is by so much quieter than at the edge itself. */
    private const SILENCE_DB = 6.0;

    /** Shorter than this is no word and no pause: ticks (0.04 s). */
    private const LEAST = 1_920;

    public function __construct(private readonly TakeLevels $levels)
    {
    }

    /**
     * @param  list<array{Tick, Tick}>  $chosen
     * @param  list<array{int, int}>  $before  those there were: they stay where they are
     * @return list<array{int, int}> ticks from and until, in order, apart from each other
     */
    public function of(Take $take, array $chosen, array $before): array
    {
        $stretches = [];
        foreach ($chosen as [$from, $until]) {
            $stretch = [max(0, $from->count), min($take->summary->length_ticks, $until->count)];
            $stretches[] = self::kept($before, $stretch) ?? [
                $this->quiet($take, $stretch[0]),
                $this->quiet($take, $stretch[1]),
            ];
        }

        return Spans::pairs(Spans::union(Spans::ofPairs(
            array_filter($stretches, fn (array $s): bool => $s[1] - $s[0] >= self::LEAST),
        )));
    }

    /**
     * The stretch as it is kept, when it is the same in milliseconds.
     *
     * @param  list<array{int, int}>  $all
     * @param  array{int, int}  $stretch
     * @return array{int, int}|null
     */
    private static function kept(array $all, array $stretch): ?array
    {
        foreach ($all as $one) {
            if (abs($one[0] - $stretch[0]) < Tick::PER_MILLISECOND && abs($one[1] - $stretch[1]) < Tick::PER_MILLISECOND) {
                return $one;
            }
        }

        return null;
    }

    /** The quietest place near one, in ticks; the place itself when nothing is known of the take's sound. */
    public function quiet(Take $take, int $at): int
    {
        $levels = $this->levels->of($take);
        if ($levels === null) {
            return $at;
        }
        $later = max(0, (int) $take->track(TrackKind::Microphone)?->offset_ticks);
        $edge = Tick::of(max(0, $at - $later));
        $quiet = $levels->quietest($edge, Tick::ofMilliseconds(self::NEAR_MS));

        // Where words run into each other there is no silence to go to, only the middle of another one.
        return $levels->around($quiet) < $levels->around($edge) - self::SILENCE_DB ? $quiet->count + $later : $at;
    }
}
