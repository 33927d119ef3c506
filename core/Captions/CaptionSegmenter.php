<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;

/**
 * Cuts what is said into captions, by dynamic programming over the places between words: what a cut costs there (`BreakCost`), how
 * a caption falls into rows (`Rows`), and whether there is time to read it.
 *
 * The limits are those of common subtitle guidelines: two rows of 42 characters, 20 characters a second, 1 to 7 seconds, two
 * frames between captions.
 */
final class CaptionSegmenter
{
    public const CHARACTERS_A_SECOND = 20.0;

    private const SHORTEST = 1.0;

    private const LONGEST = 7.0;

    public const GAP_FRAMES = 2;

    /** Seconds: over a shorter pause a caption stays until the next one comes. */
    private const BRIDGED = 0.5;

    /** Seconds that a caption may stay behind its last word. */
    private const STAYS = 1.0;

    /** What a caption costs by itself: fewer are calmer. */
    private const EACH = 4.0;

    /** A sentence that ends inside a caption: two are better, where there is time to read them. */
    private const INSIDE = 5.0;

    /** What it costs to miss a limit of time, and for each second of it. */
    private const MISSED = 15.0;

    private const HURRIED = 30.0;

    /** A silence inside a caption costs so much a second. */
    private const PAUSE = 6.0;

    /** Words behind which a caption may end at the furthest: two rows hold no more. */
    private const MOST_WORDS = 40;

    /**
     * @param  list<TimedWord>  $words  in the order of the film
     * @param  list<EditedCaption>  $set  by a person: they stay as they are, and the rest is cut between them
     * @return list<Caption> in order; none overlaps another
     */
    public static function of(array $words, FrameRate $rate, array $set = []): array
    {
        $cuts = [];
        $behind = 0;
        foreach (EditedCaptions::among($words, $set) as $start => $caption) {
            array_push($cuts, ...self::cuts($words, $behind, $start, $rate));
            $behind = $start + $caption->count();
            $own = array_map(fn (TimedWord $w): string => $w->text, array_slice($words, $start, $caption->count()));
            $rows = $caption->rows !== [] ? $caption->rows : CaptionLines::broken($own);
            $cuts[] = new CaptionCut($start, $behind, $rows, $caption->isChecked);
        }
        array_push($cuts, ...self::cuts($words, $behind, count($words), $rate));

        return self::timed($words, $cuts, $rate);
    }

    /**
     * @param  list<TimedWord>  $all
     * @return list<CaptionCut> of the words from one on, until before another
     */
    private static function cuts(array $all, int $begin, int $before, FrameRate $rate): array
    {
        $words = array_slice($all, $begin, $before - $begin);
        if ($words === []) {
            return [];
        }
        $count = count($words);
        $texts = array_map(fn (TimedWord $w): string => $w->text, $words);
        // Behind the last word there is nothing to break.
        $breaks = array_map(BreakCost::cost(...), $texts, [...array_slice($texts, 1), '']);
        $gap = self::GAP_FRAMES / $rate->fps;
        $cost = [0 => 0.0];
        $from = [];
        $laid = [];
        for ($end = 1; $end <= $count; $end++) {
            for ($start = $end - 1; $start >= 0 && $end - $start <= self::MOST_WORDS; $start--) {
                $length = $end - $start;
                $own = array_slice($breaks, $start, $length);
                $some = array_slice($texts, $start, $length);
                $rows = $some === [] ? null : CaptionLines::of($some, $own);
                if ($rows === null) {
                    break;
                }
                $next = $all[$begin + $end] ?? null;
                $room = $next === null ? self::STAYS : $next->from->minusOrZero($words[$end - 1]->until)->seconds() - $gap;
                /** @var non-empty-list<TimedWord> $said */
                $said = array_slice($words, $start, $length);
                $own = ($cost[$start] ?? INF) + $rows->cost + ($end === $count ? 0.0 : array_pop($own))
                    + self::INSIDE * count(array_keys(array_slice($own, 0, $length - 1), BreakCost::SENTENCE, true))
                    + self::time($said, mb_strlen(implode(' ', $rows->rows)), $room);
                if ($own < ($cost[$end] ?? INF)) {
                    [$cost[$end], $from[$end], $laid[$end]] = [$own, $start, $rows];
                }
            }
        }
        $cuts = [];
        for ($end = $count; $end > 0; $end = $from[$end]) {
            array_unshift($cuts, new CaptionCut($begin + $from[$end], $begin + $end, $laid[$end]->rows));
        }

        return $cuts;
    }

    /**
     * What the time costs that there is for a caption.
     *
     * @param  non-empty-list<TimedWord>  $words  of a caption
     * @param  float  $room  seconds that it can stay behind them; below zero when it has to go before the last is said
     */
    private static function time(array $words, int $characters, float $room): float
    {
        $said = $words[count($words) - 1]->until->minusOrZero($words[0]->from)->seconds();
        $wanted = max(self::SHORTEST, $characters / self::CHARACTERS_A_SECOND);
        $lacks = $wanted - $said - min(self::STAYS, $room);
        $tooLong = count($words) > 1 ? $said - self::LONGEST : 0.0;
        $pauses = 0.0;
        foreach (array_slice($words, 1) as $i => $word) {
            $pauses += max(0.0, $word->from->minusOrZero($words[$i]->until)->seconds() - self::BRIDGED);
        }

        return self::EACH + self::PAUSE * $pauses + self::hurry($lacks) + self::hurry($tooLong);
    }

    /** @param  float  $seconds  by which a limit is missed */
    private static function hurry(float $seconds): float
    {
        return $seconds > 0.005 ? self::MISSED + self::HURRIED * $seconds : 0.0;
    }

    /**
     * @param  list<TimedWord>  $words
     * @param  list<CaptionCut>  $cuts
     * @return list<Caption>
     */
    private static function timed(array $words, array $cuts, FrameRate $rate): array
    {
        $gap = Tick::ofFrames(self::GAP_FRAMES, $rate);
        $captions = [];
        foreach ($cuts as $n => $cut) {
            $from = $words[$cut->first]->from;
            $until = $words[$cut->behind - 1]->until;
            $next = isset($cuts[$n + 1]) ? $words[$cuts[$n + 1]->first]->from : null;
            $characters = mb_strlen(implode(' ', $cut->rows));
            $wanted = $from->plus(Tick::ofSeconds(max(self::SHORTEST, $characters / self::CHARACTERS_A_SECOND)));
            $until = Tick::later($until, Tick::earlier($wanted, $until->plus(Tick::ofSeconds(self::STAYS))));
            if ($next !== null) {
                $latest = $next->minusOrZero($gap);
                $isBridged = $next->minusOrZero($until)->seconds() < self::BRIDGED;
                $until = $isBridged ? $latest : Tick::earlier($until, $latest);
            }
            $until = Tick::later($until, $from->plus($gap));
            $own = array_slice($words, $cut->first, $cut->behind - $cut->first);
            $captions[] = new Caption($cut->rows, $from, $until, $own, '', $cut->isChecked);
        }

        return $captions;
    }
}
