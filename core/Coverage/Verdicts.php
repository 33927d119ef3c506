<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/** What one verdict means for the other takes. */
final class Verdicts
{
    /**
     * The verdicts after one take is given one. Keeping a take returns those kept before of which nothing would be heard any
     * more to undecided; others stay kept, and are heard where they alone speak.
     *
     * @param  list<TakeView>  $takes
     * @return array<string, Verdict> by take id, only those that change
     */
    public static function after(array $takes, string $id, Verdict $verdict): array
    {
        $decided = null;
        foreach ($takes as $take) {
            $decided = $take->id === $id ? $take : $decided;
        }
        $changed = [];
        foreach ($takes as $take) {
            $next = match (true) {
                $take->id === $id => $verdict,
                $verdict === Verdict::Kept &&
                    $take->verdict === Verdict::Kept &&
                    ($decided === null || $take->isCoveredBy($decided)) => Verdict::Undecided,
                default => $take->verdict,
            };
            if ($next !== $take->verdict) {
                $changed[$take->id] = $next;
            }
        }

        return $changed;
    }
}
