<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * Looks again at what the search found, now that whole reads in the presenter's own voice are known: what is like the beginning
 * of such a read is one of the same line, what is not is none.
 */
final class Rescoring
{
    /** Own distances: the same words lie below the first, other words above the second. */
    private const SAME = 0.56;

    private const OTHER = 0.70;

    /** So alike that it is this line and not the one it was taken for. */
    private const ALIKE = 0.50;

    private const FAR_MORE = 0.15;

    /** A read that is dearer by this is compared with other lines. */
    private const UNUSUAL = 1.05;

    /** A read this much dearer a frame than is usual in the take is speech that is no line. */
    private const DEAR = 1.2;

    /** Parts of a whole read: from here on all of it was said; below there it was broken off. */
    private const WHOLE = 0.95;

    private const BROKEN = 0.94;

    /** A read that was broken off is tried with what follows within so many frames (0.6 s), to this part of the line's length. */
    private const FOLLOWS = 30;

    private const LONGEST = 1.15;

    /** How much farther it comes by that at least, in parts of the line, and by how much less alike it may be. */
    private const FARTHER = 0.08;

    private const LITTLE_LESS = 0.1;

    /** Stray speech is compared with lines so many away, when it lasts so many frames (0.4 s). */
    private const NEAR = 3;

    private const LEAST = 20;

    /** Frames of silence that part stray speech. */
    private const GAP = 9;

    /**
     * @param  list<SearchHit>  $attempts  in order
     * @return list<SearchHit>
     */
    public static function at(Speech $speech, array $attempts): array
    {
        $usual = self::usual($speech, $attempts);
        $attempts = self::longer($speech, $attempts, $usual);
        $kept = [];
        foreach ($attempts as $attempt) {
            $seen = self::ofOtherLine($speech, $attempt, $attempts, $usual) ??
                self::seen($speech, $attempt, self::whole($attempts, $attempt), $usual);
            if ($seen !== null) {
                $kept[] = $seen;
            }
        }
        $all = [...$kept, ...self::strayReads($speech, $kept)];
        usort($all, fn (SearchHit $a, SearchHit $b): int => $a->from <=> $b->from);

        return $all;
    }

    /**
     * What was said behind a pause inside a line that was broken off later is easily taken for stray speech, or for another line.
     *
     * @param  list<SearchHit>  $attempts  in order
     * @return list<SearchHit>
     */
    private static function longer(Speech $speech, array $attempts, float $usual): array
    {
        $all = [];
        for ($i = 0; $i < count($attempts); $i++) {
            $attempt = $attempts[$i];
            $whole = $attempt->complete ? null : self::whole($attempts, $attempt);
            if ($whole === null) {
                $all[] = $attempt;

                continue;
            }
            $next = $attempts[$i + 1] ?? null;
            $isDear = $next !== null && $next !== $whole && self::each($speech, $next) > self::UNUSUAL * $usual;
            $end = match (true) {
                $next === null => $speech->count(),
                $isDear => $attempts[$i + 2]->from ?? $speech->count(),
                default => $next->from,
            };
            $long = self::goneOn($speech, $attempt, $whole, $end);
            $all[] = $long;
            while ($i + 1 < count($attempts) && $attempts[$i + 1]->from < $long->until) {
                $i++;
            }
        }

        return $all;
    }

    /** A read that was broken off, as far as it goes on like a whole one before a frame. */
    private static function goneOn(Speech $speech, SearchHit $attempt, SearchHit $whole, int $end): SearchHit
    {
        $longest = (int) (self::LONGEST * $speech->spoken($whole->from, $whole->until));
        [$likeness, $reached] = OwnVoice::compare($speech, $attempt->from, $attempt->until, $whole);
        $least = min(self::SAME, $likeness + self::LITTLE_LESS);
        $long = $attempt;
        foreach ($speech->ends($attempt->until, $end, self::FOLLOWS) as $until) {
            if ($speech->spoken($attempt->from, $until) > $longest) {
                break;
            }
            [$distance, $part] = OwnVoice::compare($speech, $attempt->from, $until, $whole);
            if ($distance < $least && $part > $reached + self::FARTHER) {
                $long = self::like($whole, $attempt->from, $until, $part);
                $reached = $part;
            }
        }

        return $long;
    }

    private static function seen(Speech $speech, SearchHit $attempt, ?SearchHit $whole, float $usual): ?SearchHit
    {
        $isDear = self::each($speech, $attempt) > self::DEAR * $usual;
        if ($whole === null) {
            return $attempt->complete || ! $isDear ? $attempt : null;
        }
        [$distance, $part] = OwnVoice::compare($speech, $attempt->from, $attempt->until, $whole);
        if ($distance > ($isDear ? self::SAME : self::OTHER)) {
            // Of two whole reads that are not alike one is the line.
            $isLess = self::each($speech, $attempt) > self::DEAR * self::each($speech, $whole);

            return $attempt->complete && ! $isLess ? $attempt : null;
        }
        if ($distance < self::SAME) {
            if (! $attempt->complete && $part >= self::WHOLE) {
                return $attempt->but(true, $whole->reached);
            }
            if ($attempt->complete && $part < self::BROKEN) {
                return $attempt->but(false, (int) ($part * $whole->reached));
            }
        }

        return $attempt;
    }

    /**
     * A line that was said again where the next one was left out is easily taken for that one.
     *
     * @param  list<SearchHit>  $attempts
     */
    private static function ofOtherLine(Speech $speech, SearchHit $attempt, array $attempts, float $usual): ?SearchHit
    {
        $own = self::whole($attempts, $attempt);
        $least = $own === null ? INF : OwnVoice::compare($speech, $attempt->from, $attempt->until, $own)[0];
        if (self::each($speech, $attempt) < self::UNUSUAL * $usual) {
            // It sounds like its line, and is another one only when it is far more like that.
            $least = $own === null ? 0.0 : $least - self::FAR_MORE;
        }
        $least = min(self::ALIKE, $least);
        $found = null;
        foreach (self::near($attempts, $attempt->from) as $whole) {
            if ($whole->line !== $attempt->line) {
                [$distance, $part] = OwnVoice::compare($speech, $attempt->from, $attempt->until, $whole);
                if ($distance < $least) {
                    $least = $distance;
                    $found = self::like($whole, $attempt->from, $attempt->until, $part);
                }
            }
        }

        return $found;
    }

    /** A stretch that says the same as a whole read, or the beginning of it. */
    private static function like(SearchHit $whole, int $from, int $until, float $part): SearchHit
    {
        $isWhole = $part >= self::WHOLE;

        return new SearchHit(
            $whole->line,
            $from,
            $until,
            $isWhole ? $whole->reached : (int) ($part * $whole->reached),
            $isWhole,
            $whole->cost * ($isWhole ? 1.0 : $part),
        );
    }

    /**
     * Another whole read of the same line: of several the one most like the line.
     *
     * @param  list<SearchHit>  $attempts
     */
    private static function whole(array $attempts, SearchHit $attempt): ?SearchHit
    {
        $best = null;
        foreach ($attempts as $other) {
            if ($other !== $attempt && $other->line === $attempt->line && $other->complete &&
                ($best === null || $other->cost < $best->cost)) {
                $best = $other;
            }
        }

        return $best;
    }

    /**
     * Speech that was taken for no line, and is one that was said elsewhere.
     *
     * @param  list<SearchHit>  $attempts  in order
     * @return list<SearchHit>
     */
    private static function strayReads(Speech $speech, array $attempts): array
    {
        $found = [];
        foreach ($speech->outside($attempts, self::GAP, self::LEAST) as [$from, $until]) {
            $best = null;
            $least = self::SAME;
            foreach (self::near($attempts, $from) as $whole) {
                [$distance, $part] = OwnVoice::compare($speech, $from, $until, $whole);
                if ($distance < $least) {
                    $least = $distance;
                    $best = self::like($whole, $from, $until, $part);
                }
            }
            if ($best !== null) {
                $found[] = $best;
            }
        }

        return $found;
    }

    /**
     * @param  list<SearchHit>  $attempts
     * @return list<SearchHit> whole reads of lines near a moment
     */
    private static function near(array $attempts, int $at): array
    {
        $line = 0;
        foreach ($attempts as $attempt) {
            $line = $attempt->from <= $at ? $attempt->line : $line;
        }

        return array_values(array_filter(
            $attempts,
            fn (SearchHit $a): bool => $a->complete && abs($a->line - $line) <= self::NEAR,
        ));
    }

    /**
     * The middle one of what whole reads cost a frame.
     *
     * @param  list<SearchHit>  $attempts
     */
    public static function usual(Speech $speech, array $attempts): float
    {
        $costs = [];
        foreach ($attempts as $attempt) {
            if ($attempt->complete) {
                $costs[] = self::each($speech, $attempt);
            }
        }
        sort($costs);

        return $costs[intdiv(count($costs), 2)] ?? 1.0;
    }

    /** What a read costs a frame of speech. */
    public static function each(Speech $speech, SearchHit $attempt): float
    {
        return $attempt->cost / max(1, $speech->spoken($attempt->from, $attempt->until));
    }
}
