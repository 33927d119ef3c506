<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Alignment\ExpectedLine;

/**
 * Goes through a long take stretch by stretch, each between pauses, with the lines that may be said in it; so that a minute of an
 * hour takes as long, and as much memory, as a minute by itself.
 */
final class Chunks
{
    /** Frames: a stretch lasts so long, at least and at most (50 and 80 s). */
    private const LENGTH = [2_500, 4_000];

    /** Up to so many frames (2 min 30 s) and lines a take is one stretch. */
    private const ONE = 7_500;

    private const LINES = 60;

    /** Frames of silence before a read with which the next stretch begins. */
    private const BEFORE = 25;

    /**
     * @param  list<ExpectedLine>  $lines
     * @param  callable(float): mixed  $progress  told how much is done, 0..1
     */
    public static function walk(Speech $speech, array $lines, AlignmentPass $passes, callable $progress): Path
    {
        if ($speech->count() <= self::ONE && count($lines) <= self::LINES) {
            return $passes($speech, Window::all($lines), $progress);
        }
        $attempts = $found = $words = [];
        $done = 0.0;
        $tell = function (int $frame) use (&$done, $speech, $progress): void {
            // What is looked at again is done already.
            $done = max($done, $frame / $speech->count());
            $progress($done);
        };
        [$at, $next, $seek] = [0, 0, 0];
        while ($at < $speech->count()) {
            $until = $speech->count() - $at <= self::LENGTH[1]
                ? $speech->count()
                : $speech->pauseNear($at + self::LENGTH[0], $at + self::LENGTH[1]);
            $stretch = $speech->slice($at, $until);
            $window = Window::at($lines, $next, $stretch->milliseconds());
            $way = $passes($stretch, $window, fn (float $part) => $tell((int) ($at + $part * ($until - $at))));
            $lost = RelocationSearch::lost($stretch, $way);
            $on = null;
            if ($lost !== null && $at + $lost >= $seek) {
                // Looked for once only: what is said there may be no line at all.
                $seek = $at + $lost + RelocationSearch::LISTEN;
                $on = RelocationSearch::goesOn($stretch, $lost, $lines, $window, $passes);
            }
            $kept = $on === null
                ? self::until($way->attempts, $until < $speech->count())
                : count(array_filter($way->attempts, fn (SearchHit $a): bool => $a->from < $lost));
            foreach (array_slice($way->attempts, 0, $kept) as $attempt) {
                $attempts[] = $attempt->within($at + $attempt->from, $at + $attempt->until);
                $found[$attempt->line] = $way->lines[$attempt->line];
                $words[$attempt->line] = $way->words[$attempt->line];
            }
            $last = $way->attempts[$kept - 1] ?? null;
            $again = $way->attempts[$kept] ?? null;
            if ($on !== null) {
                [$at, $next] = [$at + (int) $lost, $on];
            } elseif ($again !== null) {
                [$at, $next] = [$at + max($last->until ?? 0, $again->from - self::BEFORE), $again->line];
            } else {
                $at = $until;
                $next = $last === null ? $next : min(count($lines) - 1, $last->line + ($last->complete ? 1 : 0));
            }
        }

        return new Path($attempts, $found, $words);
    }

    /**
     * How many of the reads in a stretch count: the last one is looked at again where more follows, since its end may lie there.
     *
     * @param  list<SearchHit>  $attempts
     */
    private static function until(array $attempts, bool $isMore): int
    {
        $last = count($attempts) - 1;

        // Lest one stays where one is.
        return $isMore && $last > 0 && $attempts[$last]->from >= self::LENGTH[0] / 2 ? $last : count($attempts);
    }
}
