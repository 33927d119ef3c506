<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** Several stretches of time as one: in order, apart from each other. */
final class Spans
{
    /**
     * All of them as one list: those that overlap or touch are one.
     *
     * @param  list<Span>  $spans  in any order, perhaps over each other
     * @return list<Span> in order, apart from each other
     */
    public static function union(array $spans): array
    {
        usort($spans, fn (Span $a, Span $b): int => [$a->from->count, $a->until->count] <=> [$b->from->count, $b->until->count]);
        $union = [];
        foreach ($spans as $span) {
            $last = array_pop($union);
            if ($last !== null && $last->until->isBefore($span->from)) {
                $union[] = $last;
                $last = null;
            }
            $union[] = $last === null ? $span : Span::between($last->from, Tick::later($last->until, $span->until));
        }

        return $union;
    }

    /**
     * What is left of some when others are taken away.
     *
     * @param  list<Span>  $spans  in order
     * @param  list<Span>  $away  in any order, perhaps over each other
     * @return list<Span> in order; none when nothing is left
     */
    public static function minus(array $spans, array $away): array
    {
        $away = self::union($away);
        $left = [];
        foreach ($spans as $span) {
            $from = $span->from;
            foreach ($away as $gap) {
                if (! $from->isBefore($gap->until) || ! $gap->from->isBefore($span->until)) {
                    continue;
                }
                if ($from->isBefore($gap->from)) {
                    $left[] = Span::between($from, $gap->from);
                }
                $from = $gap->until;
            }
            if ($from->isBefore($span->until)) {
                $left[] = Span::between($from, $span->until);
            }
        }

        return $left;
    }

    /**
     * All of them together; where two overlap, that counts twice.
     *
     * @param  array<Span>  $spans
     */
    public static function length(array $spans): Tick
    {
        return Tick::of(array_sum(array_map(fn (Span $s): int => $s->length()->count, $spans)));
    }

    /**
     * As they are stored: see `pairs`.
     *
     * @param  array<array{int|float|string, int|float|string}>  $pairs  ticks from and until; those that are empty are left out
     * @return list<Span> in the order they were
     */
    public static function ofPairs(array $pairs): array
    {
        $spans = [];
        foreach ($pairs as [$from, $until]) {
            if ((int) $from < (int) $until) {
                $spans[] = Span::between(Tick::of((int) $from), Tick::of((int) $until));
            }
        }

        return $spans;
    }

    /**
     * @param  array<Span>  $spans
     * @return list<array{int, int}> ticks from and until of each
     */
    public static function pairs(array $spans): array
    {
        return array_map(fn (Span $s): array => [$s->from->count, $s->until->count], array_values($spans));
    }
}
