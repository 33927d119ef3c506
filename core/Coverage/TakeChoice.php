<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\Verdict;

/** Which takes of a section go into the lesson. */
final class TakeChoice
{
    /**
     * The kept takes, in the order of the lines they speak: one, or several where sections were merged that had a take
     * each. Should two be marked that speak the same lines (two windows at the same moment), the later number counts.
     *
     * @param  list<TakeState>  $takes
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return list<TakeState>
     */
    public static function used(array $takes, array $lines = []): array
    {
        $kept = array_filter($takes, fn (TakeState $t): bool => $t->usable && $t->verdict === Verdict::Kept);
        usort($kept, fn (TakeState $a, TakeState $b): int => $b->number <=> $a->number);
        $used = [];
        foreach ($kept as $take) {
            if (array_filter($used, fn (TakeState $u): bool => $u->competesWith($take)) === []) {
                $used[] = $take;
            }
        }
        $place = array_flip($lines);
        $first = fn (TakeState $t): int => min([PHP_INT_MAX, ...array_values(array_intersect_key($place, array_flip($t->lines)))]);
        usort($used, fn (TakeState $a, TakeState $b): int => [$first($a), $a->number] <=> [$first($b), $b->number]);

        return $used;
    }

    /**
     * The verdicts after one take is given one. Keeping a take returns those kept before that speak the same lines to
     * undecided.
     *
     * @param  list<TakeState>  $takes
     * @return array<string, Verdict> by take id, only those that change
     */
    public static function afterVerdict(array $takes, string $id, Verdict $verdict): array
    {
        $decided = null;
        foreach ($takes as $take) {
            $decided = $take->id === $id ? $take : $decided;
        }
        $changed = [];
        foreach ($takes as $take) {
            $next = match (true) {
                $take->id === $id => $verdict,
                $verdict === Verdict::Kept && $take->verdict === Verdict::Kept && ($decided === null || $decided->competesWith($take)) => Verdict::Undecided,
                default => $take->verdict,
            };
            if ($next !== $take->verdict) {
                $changed[$take->id] = $next;
            }
        }

        return $changed;
    }
}
