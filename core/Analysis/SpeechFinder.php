<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;

/**
 * Finds where speech starts and ends in a take, from its levels alone.
 *
 * The room's own noise is taken from the quietest tenth of the take and the voice from the loudest; speech is what
 * stands clear of the noise for longer than a click does. Soft beginnings and endings are then followed down to the
 * noise. Generous on purpose: a breath too much is better than a word cut.
 */
final class SpeechFinder
{
    /** Kept before and after the speech found. */
    public const PAD_BEFORE_MS = 300;

    public const PAD_AFTER_MS = 400;

    /** Quieter than this is not speech, whatever the room. */
    private const QUIETEST_DB = -60.0;

    /** At least so far above the noise. */
    private const CLEAR_DB = 8.0;

    /** How far above the noise a soft beginning or ending is followed. */
    private const EDGE_DB = 6.0;

    /** Of these windows (150 ms)... */
    private const LOOK = 15;

    /** ...so many (100 ms) must be clear; a key press or a mouse click is shorter. */
    private const NEEDED = 10;

    /** A soft edge is followed for at most 400 ms. */
    private const EDGE_WINDOWS = 40;

    /** @return Span|null padded and inside the take; null when nobody speaks */
    public static function find(Levels $levels): ?Span
    {
        $noise = $levels->percentile(0.10);
        $voice = $levels->percentile(0.95);
        // A take without any silence has its "noise" within the speech; the threshold may not climb into the voice.
        $threshold = max(self::QUIETEST_DB, min($noise + max(self::CLEAR_DB, 0.3 * ($voice - $noise)), $voice - 6.0));

        $first = self::firstClear($levels->rms, $threshold);
        if ($first === null) {
            return null;
        }
        $count = count($levels->rms);
        $last = $count - 1 - (int) self::firstClear(array_reverse($levels->rms), $threshold);

        $edge = min($threshold, max(self::QUIETEST_DB - 4, $noise + self::EDGE_DB));
        for ($i = 0; $i < self::EDGE_WINDOWS && $first > 0 && $levels->rms[$first - 1] > $edge; $i++) {
            $first--;
        }
        for ($i = 0; $i < self::EDGE_WINDOWS && $last < $count - 1 && $levels->rms[$last + 1] > $edge; $i++) {
            $last++;
        }

        return Span::between(Tick::of($first * Levels::WINDOW), Tick::of(min($levels->samples, ($last + 1) * Levels::WINDOW)))
            ->padded(Tick::ofMilliseconds(self::PAD_BEFORE_MS), Tick::ofMilliseconds(self::PAD_AFTER_MS), $levels->length());
    }

    /**
     * @param  list<float>  $rms
     * @return int|null the first window of speech
     */
    private static function firstClear(array $rms, float $threshold): ?int
    {
        $clear = 0;
        foreach ($rms as $i => $level) {
            $clear += $level > $threshold ? 1 : 0;
            if ($i >= self::LOOK) {
                $clear -= $rms[$i - self::LOOK] > $threshold ? 1 : 0;
            }
            // @phpstan-ignore greaterOrEqual.alwaysFalse (it counts over many windows)
            if ($clear >= self::NEEDED) {
                for ($start = max(0, $i - self::LOOK + 1); $rms[$start] <= $threshold; $start++);

                return $start;
            }
        }

        return null;
    }
}
