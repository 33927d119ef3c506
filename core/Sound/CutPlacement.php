<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;

/**
 * Where a take is cut, so that no word is harmed. Every edge lies in silence: at least 80 ms before and 120 ms after words, or in
 * the middle of a silence that is shorter than that; where there is more, at its quietest place, so that a breath is kept or left
 * out whole.
 *
 * @example A word ends at 1.0 s and the next begins at 1.2 s: `after` gives 1.12 s, `before` 1.10 s.
 */
final readonly class CutPlacement
{
    /** Ticks: less than this of a take cannot have been meant to be used (0.2 s). */
    public const LEAST_USED = 9_600;

    /** Ticks before and behind words: as many as there are, and at most so many. */
    private const BEFORE = [3_840, 14_400];

    private const BEHIND = [5_760, 19_200];

    /** Ticks: a breath before a sentence is at most twice as long (0.5 s). */
    private const BREATH = 12_000;

    /** Milliseconds: the prompter moves on while one breathes, or a little before or behind that. */
    private const ROUND_PROMPTER_MS = 400;

    /** Milliseconds from the edge of a word into the silence beside it. */
    private const BESIDE_WORD_MS = 80;

    /** There it is by so much quieter than at the edge itself. */
    private const SILENCE_DB = 6.0;

    /** Ticks: shorter than this is no word and no pause (0.04 s). */
    private const LEAST = 1_920;

    /**
     * @param  Levels|null  $levels  of the take's voice; without them edges stay where words say
     * @param  Tick  $voiceFrom  where in the take that begins
     */
    public function __construct(private ?Levels $levels, private Tick $voiceFrom)
    {
    }

    /** The quietest place near the moment at which the prompter moved on. */
    public function nearPrompter(Tick $at): Tick
    {
        return $this->quietest($at, Tick::ofMilliseconds(self::ROUND_PROMPTER_MS));
    }

    /**
     * Near the edge of a word that somebody chose. Where words run into each other there is no silence to go to, only the middle
     * of another word: there it stays.
     */
    public function besideWord(Tick $at): Tick
    {
        if ($this->levels === null) {
            return $at;
        }
        $quiet = $this->quietest($at, Tick::ofMilliseconds(self::BESIDE_WORD_MS));
        $level = fn (Tick $place): float => $this->levels->around($place->minusOrZero($this->voiceFrom));

        return $level($quiet) < $level($at) - self::SILENCE_DB ? $quiet : $at;
    }

    /**
     * Stretches that were chosen from word to word.
     *
     * @param  list<Span>  $chosen
     * @param  list<Span>  $before  those there were: what is the same in milliseconds stays where it is
     * @return list<Span> in order, apart from each other; what is too short for a word or a pause is left out
     */
    public function besideWords(array $chosen, array $before): array
    {
        $placed = array_map(fn (Span $span): ?Span => self::same($before, $span) ?? $this->placed($span), $chosen);

        return Spans::union(array_values(array_filter($placed)));
    }

    /** Before words that follow a silence which begins somewhere, both in take time. */
    public function before(Tick $words, Tick $silence): Tick
    {
        $edge = $words->count - self::part($words->count - $silence->count, self::BEFORE);

        return $this->quiet($edge, $silence->count + self::BEHIND[0], $words->count - self::BEFORE[0]);
    }

    /** Behind words that are followed by a silence which ends somewhere. */
    public function after(Tick $words, Tick $silence): Tick
    {
        $edge = $words->count + self::part($silence->count - $words->count, self::BEHIND);

        return $this->quiet($edge, $words->count + self::BEHIND[0], $silence->count - self::BEFORE[0]);
    }

    /** Between words of which nothing is left out: one goes over into the other. */
    public static function between(Tick $until, Tick $from): Tick
    {
        return Tick::of(intdiv($until->count + $from->count, 2));
    }

    /** The middle of a pause that is longer than it may be, so that words keep their silence; null when it is not. */
    public static function middleOf(Span $pause, Tick $longest): ?Span
    {
        $half = Tick::of(intdiv($longest->count, 2));

        return $pause->length()->count > 2 * $half->count
            ? Span::between($pause->from->plus($half), $pause->until->minusOrZero($half))
            : null;
    }

    /** The quietest place near an edge, between what belongs to the words on both sides of the silence. */
    private function quiet(int $edge, int $least, int $most): Tick
    {
        $around = min($edge - $least, $most - $edge, self::BREATH);

        return $around <= 0 ? Tick::of($edge) : $this->quietest(Tick::of($edge), Tick::of($around));
    }

    private function quietest(Tick $at, Tick $around): Tick
    {
        return $this->levels === null
            ? $at
            : $this->levels->quietest($at->minusOrZero($this->voiceFrom), $around)->plus($this->voiceFrom);
    }

    /**
     * How much of a silence beside words belongs to them: half of it, at least what words need, at most what is enough.
     *
     * @param  array{int, int}  $limits
     */
    private static function part(int $silence, array $limits): int
    {
        return min($silence, max(min(intdiv($silence, 2), $limits[1]), min($limits[0], intdiv($silence * 2, 3))));
    }

    /** @param  list<Span>  $all */
    private static function same(array $all, Span $span): ?Span
    {
        $isNear = fn (Tick $a, Tick $b): bool => abs($a->count - $b->count) < Tick::PER_MILLISECOND;
        foreach ($all as $one) {
            if ($isNear($one->from, $span->from) && $isNear($one->until, $span->until)) {
                return $one;
            }
        }

        return null;
    }

    private function placed(Span $chosen): ?Span
    {
        [$from, $until] = [$this->besideWord($chosen->from), $this->besideWord($chosen->until)];

        return $until->count - $from->count >= self::LEAST ? Span::between($from, $until) : null;
    }
}
