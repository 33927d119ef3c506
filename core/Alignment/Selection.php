<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\AttemptKind;

/**
 * What of a take is worth using: of each line one whole read, without what was said again. Every edge lies in silence: at least
 * 80 ms before and 120 ms after words, or in the middle of a silence that is shorter than that. Where there is more silence, a
 * cut goes to its quietest place, so that a breath is kept or left out whole.
 */
final readonly class Selection
{
    /** Ticks before and behind words: as many as there are, and at most so many. */
    private const BEFORE = [3_840, 14_400];

    private const BEHIND = [5_760, 19_200];

    /** Ticks: a breath before a sentence is at most twice as long (0.5 s). */
    private const BREATH = 12_000;

    /** Of two whole reads of a line the later one is used, unless it is this much less sure. */
    private const LESS_SURE = 0.3;

    /**
     * @param  list<int>  $order  indexes of the lines, in the order they are said in the take
     * @param  array<int, Span>  $spans  of each of these its words with the silence that belongs to them; lines that follow each
     *    other in the take share an edge
     * @param  array<int, Attempt>  $reads  the read that is used of each of these
     * @param  list<Span>  $left  what is left out between them: false starts, and reads that were said again
     */
    private function __construct(public array $order, public array $spans, public array $reads, public array $left)
    {
    }

    /**
     * @param  Tick  $length  of the take's voice
     * @param  Levels|null  $levels  of it; without them, cuts stay in the middle of what belongs to the words
     */
    public static function of(Alignment $heard, Tick $length, ?Levels $levels = null): self
    {
        $used = self::chosen($heard->reads);
        $speech = [...array_map(fn (Attempt $r): Span => $r->span, $heard->reads), ...$heard->unscripted];
        $order = $spans = $reads = $left = [];
        foreach ($used as $i => $read) {
            $before = $used[$i - 1] ?? null;
            $isCut = $before === null || self::liesBetween($heard->reads, $before, $read);
            $from = self::from($read->span, $speech, $levels);
            if (! $isCut) {
                // Nothing is left out: one goes over into the other in the middle of the silence between them.
                $from = intdiv($before->span->until->count + $read->span->from->count, 2);
                $spans[$before->line] = Span::between($spans[$before->line]->from, Tick::of($from));
            } elseif ($before !== null) {
                $end = $spans[$before->line]->until;
                $left[] = Span::between($end, Tick::of(max($end->count, $from)));
            }
            $until = max($from + 1, self::until($read->span, $speech, $length->count, $levels));
            $spans[$read->line] = Span::between(Tick::of($from), Tick::of($until));
            $reads[$read->line] = $read;
            $order[] = $read->line;
        }

        return new self($order, $spans, $reads, array_values(array_filter($left, fn (Span $s): bool => $s->length()->count > 0)));
    }

    /** Whether a stretch of the take lies in what is used. */
    public function holds(Span $stretch): bool
    {
        foreach ($this->spans as $span) {
            if ($stretch->from->isBefore($span->until) && $span->from->isBefore($stretch->until)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  bool  $mayPause  a long pause is meant, or something is to be seen meanwhile
     * @return list<int> indexes of lines in which something else is said, one stops for long, or hardly a word is understood
     */
    public function flawed(Alignment $heard, bool $mayPause = false): array
    {
        $spoils = [
            ...$heard->unscripted,
            ...$mayPause ? [] : array_filter($heard->pauses, fn (Span $s): bool => $s->length()->count >= Alignment::LONG_PAUSE),
        ];
        $isSpoiled = function (Span $line) use ($spoils): bool {
            foreach ($spoils as $span) {
                if ($span->from->isBefore($line->until) && $line->from->isBefore($span->until)) {
                    return true;
                }
            }

            return false;
        };

        return array_values(array_filter(
            $this->order,
            fn (int $line): bool => $this->reads[$line]->confidence < Alignment::SURE || $isSpoiled($this->spans[$line]),
        ));
    }

    /** Ticks of all that is used. */
    public function length(): int
    {
        return array_sum(array_map(fn (Span $s): int => $s->length()->count, $this->spans));
    }

    /**
     * @param  list<Attempt>  $reads
     * @return list<Attempt> one a line, in order of time
     */
    private static function chosen(array $reads): array
    {
        $chosen = [];
        foreach ($reads as $read) {
            $other = $chosen[$read->line] ?? null;
            if (
                $read->kind === AttemptKind::Complete &&
                ($other === null || $read->confidence >= $other->confidence - self::LESS_SURE)
            ) {
                $chosen[$read->line] = $read;
            }
        }
        usort($chosen, fn (Attempt $a, Attempt $b): int => $a->span->from->count <=> $b->span->from->count);

        return $chosen;
    }

    /** @param  list<Attempt>  $reads */
    private static function liesBetween(array $reads, Attempt $one, Attempt $other): bool
    {
        foreach ($reads as $read) {
            if (! $read->span->from->isBefore($one->span->until) && $read->span->from->isBefore($other->span->from)) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Span>  $speech */
    private static function from(Span $words, array $speech, ?Levels $levels): int
    {
        $before = 0;
        foreach ($speech as $span) {
            if ($span !== $words && $span->from->isBefore($words->from)) {
                $before = max($before, min($span->until->count, $words->from->count));
            }
        }

        $edge = $words->from->count - self::edge($words->from->count - $before, self::BEFORE);

        return self::quiet($levels, $edge, $before + self::BEHIND[0], $words->from->count - self::BEFORE[0]);
    }

    /** @param  list<Span>  $speech */
    private static function until(Span $words, array $speech, int $length, ?Levels $levels): int
    {
        $behind = max($length, $words->until->count);
        foreach ($speech as $span) {
            if ($span !== $words && ! $span->from->isBefore($words->until)) {
                $behind = min($behind, $span->from->count);
            }
        }

        $edge = $words->until->count + self::edge($behind - $words->until->count, self::BEHIND);

        return self::quiet($levels, $edge, $words->until->count + self::BEHIND[0], $behind - self::BEFORE[0]);
    }

    /** The quietest place near an edge, between what belongs to the words on both sides of the silence. */
    private static function quiet(?Levels $levels, int $edge, int $least, int $most): int
    {
        $around = min($edge - $least, $most - $edge, self::BREATH);

        return $levels === null || $around <= 0 ? $edge : $levels->quietest(Tick::of($edge), Tick::of($around))->count;
    }

    /**
     * How much of a silence beside words belongs to them: half of it, at least what words need, at most what is enough.
     *
     * @param  array{int, int}  $limits
     */
    private static function edge(int $silence, array $limits): int
    {
        return min($silence, max(min(intdiv($silence, 2), $limits[1]), min($limits[0], intdiv($silence * 2, 3))));
    }
}
