<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * Where a read begins and ends, to the frame: at the edges of the speech it lies in. The search alone leaves out soft sounds, and
 * takes in silence.
 */
final class Edges
{
    /** Frames: a read grows to the edge of the speech it lies in when that is no farther. */
    private const GROW = 20;

    /** A weak last or first sound: so short, and so far away at most. */
    private const WEAK = 12;

    private const GAP = 7;

    /**
     * @param  int  $before  frame behind the read before
     * @param  int  $behind  first frame of the read behind
     */
    public static function of(Speech $speech, SearchHit $attempt, int $before, int $behind): SearchHit
    {
        [$from, $until] = [$attempt->from, $attempt->until];
        while ($from < $until - 1 && ! $speech->isSpeech($from)) {
            $from++;
        }
        while ($until > $from + 1 && ! $speech->isSpeech($until - 1)) {
            $until--;
        }
        $edge = self::back($speech, $from, $before, true);
        $from = $from - $edge <= self::GROW ? $edge : $from;
        $edge = self::on($speech, $until, $behind, true);
        $until = $edge - $until <= self::GROW ? $edge : $until;

        $gap = self::on($speech, $until, min($behind, $until + self::GAP), false);
        $weak = self::on($speech, $gap, $behind, true);
        if ($gap > $until && $weak > $gap && $weak - $gap <= self::WEAK && ($weak < $behind || $behind === $speech->count())) {
            $until = $weak;
        }
        $gap = self::back($speech, $from, max($before, $from - self::GAP), false);
        $weak = self::back($speech, $gap, $before, true);
        if ($gap < $from && $weak < $gap && $gap - $weak <= self::WEAK && $weak > $before) {
            $from = $weak;
        }

        return $attempt->within($from, max($from + 1, $until));
    }

    /** The frame behind the last that is speech, or is none, from a frame on. */
    private static function on(Speech $speech, int $at, int $end, bool $is): int
    {
        while ($at < $end && $speech->isSpeech($at) === $is) {
            $at++;
        }

        return $at;
    }

    /** The first frame that is speech, or is none, of those before a frame. */
    private static function back(Speech $speech, int $at, int $end, bool $is): int
    {
        while ($at > $end && $speech->isSpeech($at - 1) === $is) {
            $at--;
        }

        return $at;
    }
}
