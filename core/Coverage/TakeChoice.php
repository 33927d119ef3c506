<?php

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\Verdict;

/** Which take of a section goes into the lesson. */
final class TakeChoice
{
    /**
     * The kept take. Should two be marked (two windows at the same moment), the later number counts.
     *
     * @param  list<TakeState>  $takes
     */
    public static function used(array $takes): ?TakeState
    {
        return self::latest($takes, Verdict::Kept);
    }

    /**
     * The take to look at next: the newest without a verdict, when nothing is kept yet.
     *
     * @param  list<TakeState>  $takes
     */
    public static function toReview(array $takes): ?TakeState
    {
        return self::used($takes) === null ? self::latest($takes, Verdict::Undecided) : null;
    }

    /**
     * The verdicts after one take is given one. Keeping a take returns the one kept before to undecided.
     *
     * @param  list<TakeState>  $takes
     * @return array<string, Verdict> by take id, only those that change
     */
    public static function afterVerdict(array $takes, string $id, Verdict $verdict): array
    {
        $changed = [];
        foreach ($takes as $take) {
            $next = match (true) {
                $take->id === $id => $verdict,
                $verdict === Verdict::Kept && $take->verdict === Verdict::Kept => Verdict::Undecided,
                default => $take->verdict,
            };
            if ($next !== $take->verdict) {
                $changed[$take->id] = $next;
            }
        }

        return $changed;
    }

    /** @param  list<TakeState>  $takes */
    private static function latest(array $takes, Verdict $verdict): ?TakeState
    {
        $latest = null;
        foreach ($takes as $take) {
            if ($take->usable && $take->verdict === $verdict && $take->number > ($latest->number ?? 0)) {
                $latest = $take;
            }
        }

        return $latest;
    }
}
