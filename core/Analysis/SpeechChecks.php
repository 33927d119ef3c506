<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\Selection;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Take\SpeechFlag;

/** What is to be looked at in what a take says. */
final class SpeechChecks
{
    /** Ticks: words that begin so near the start of a recording began before it (40 ms), and so at its end. */
    private const EDGE = 1_920;

    /** Ticks: speech that is no line and stays in the film, all of it together (1 s). */
    private const MUCH_UNSCRIPTED = 48_000;

    /** Of the time expected at the presenter's own pace: a third off is heard as hurried, or as dragging. */
    private const FAST = 0.67;

    private const SLOW = 1.5;

    /** Ticks: less speech tells nothing about the pace (4 s). */
    private const TELLING = 192_000;

    /**
     * @param  int  $lines  how many were listened for
     * @param  int  $length  ticks of the voice
     * @param  int  $expected  ticks that the lines used take to say at the presenter's pace; 0 when that is not known
     * @param  bool  $mayPause  whether the script asks for pauses, or something is to be seen meanwhile
     * @return list<SpeechFlag> the worst first
     */
    public static function of(Alignment $heard, Selection $used, int $lines, int $length, int $expected, bool $mayPause): array
    {
        if ($used->order === []) {
            return [];
        }
        $first = $heard->reads[0]->span->from->count;
        $last = $heard->reads[count($heard->reads) - 1]->span->until->count;
        $isUsed = fn (Span $s): bool => $used->holds($s);
        $unscripted = array_filter($heard->unscripted, $isUsed);
        $long = array_filter($heard->pauses, fn (Span $s): bool => $s->length()->count >= Alignment::LONG_PAUSE && $used->holds($s));
        $spoken = $used->length() - self::sum(array_filter($heard->pauses, $isUsed)) - self::sum($unscripted);
        $tells = $expected > 0 && $spoken >= self::TELLING;
        $flags = [
            [SpeechFlag::LinesMissing, count($used->order) < $lines],
            [SpeechFlag::CutOffStart, $first < self::EDGE],
            [SpeechFlag::CutOffEnd, $length - $last < self::EDGE],
            [SpeechFlag::Unscripted, self::sum($unscripted) >= self::MUCH_UNSCRIPTED],
            [SpeechFlag::TooFast, $tells && $spoken < self::FAST * $expected],
            [SpeechFlag::TooSlow, $tells && $spoken > self::SLOW * $expected],
            [SpeechFlag::LongPause, ! $mayPause && $long !== []],
        ];

        return array_column(array_filter($flags, fn (array $flag): bool => $flag[1]), 0);
    }

    /** @param  array<Span>  $spans */
    private static function sum(array $spans): int
    {
        return array_sum(array_map(fn (Span $s): int => $s->length()->count, $spans));
    }
}
