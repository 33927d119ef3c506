<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\CutPlacement;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\AttemptKind;

/**
 * What of a take is worth using: of each line one whole read, without what was said again. Where the edges
 * lie, CutPlacement says.
 */
final readonly class Selection
{
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
        $cuts = new CutPlacement($levels, Tick::zero());
        $order = $spans = $reads = $left = [];
        foreach ($used as $i => $read) {
            $before = $used[$i - 1] ?? null;
            $isCut = $before === null || self::liesBetween($heard->reads, $before, $read);
            $from = $cuts->before($read->span->from, self::silenceBefore($read->span, $speech))->count;
            if (! $isCut) {
                $from = CutPlacement::between($before->span->until, $read->span->from)->count;
                $spans[$before->line] = Span::between($spans[$before->line]->from, Tick::of($from));
            } elseif ($before !== null) {
                $end = $spans[$before->line]->until;
                $left[] = Span::between($end, Tick::of(max($end->count, $from)));
            }
            $end = $cuts->after($read->span->until, self::silenceAfter($read->span, $speech, $length->count));
            $until = max($from + 1, $end->count);
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

    /**
     * @param  list<Span>  $speech
     * @return Tick where the silence before words begins
     */
    private static function silenceBefore(Span $words, array $speech): Tick
    {
        $before = 0;
        foreach ($speech as $span) {
            if ($span !== $words && $span->from->isBefore($words->from)) {
                $before = max($before, min($span->until->count, $words->from->count));
            }
        }

        return Tick::of($before);
    }

    /**
     * @param  list<Span>  $speech
     * @return Tick where the silence behind words ends
     */
    private static function silenceAfter(Span $words, array $speech, int $length): Tick
    {
        $behind = max($length, $words->until->count);
        foreach ($speech as $span) {
            if ($span !== $words && ! $span->from->isBefore($words->until)) {
                $behind = min($behind, $span->from->count);
            }
        }

        return Tick::of($behind);
    }
}
