<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

/** Which stretches of a take are used: what the presenter chose, or else the speech found, or else all of it; without fluffs. */
final class Trim
{
    /**
     * Stretches that are left out for different reasons, as one list.
     *
     * @param  list<array{int, int}>  $stretches  from and until, in any order, perhaps over each other
     * @return list<array{int, int}> in order, apart from each other
     */
    public static function joined(array $stretches): array
    {
        sort($stretches);
        $joined = [];
        foreach ($stretches as [$from, $until]) {
            $last = array_pop($joined);
            if ($last !== null && $from > $last[1]) {
                $joined[] = $last;
                $last = null;
            }
            $joined[] = $last === null ? [$from, $until] : [$last[0], max($last[1], $until)];
        }

        return $joined;
    }

    /**
     * All in ticks of the take.
     *
     * @param  list<array{int, int}>|null  $chosen  from and until, in order; null when the presenter chose nothing
     * @param  int|null  $speechFrom  where the part found by listening begins; null when no speech was found
     * @param  list<array{int, int}>  $fluffs  from and until of reads that went wrong, in order, apart from each other
     * @return list<Span> none when the take has no length
     */
    public static function used(?array $chosen, ?int $speechFrom, ?int $speechUntil, int $length, array $fluffs = []): array
    {
        $spans = [];
        foreach ($chosen ?? [[$speechFrom ?? 0, $speechUntil ?? $length]] as [$from, $until]) {
            foreach ($fluffs as [$wrong, $again]) {
                if ($again <= $from || $wrong >= $until) {
                    continue;
                }
                if ($from < $wrong) {
                    $spans[] = Span::between(Tick::of($from), Tick::of($wrong));
                }
                $from = $again;
            }
            if ($from < $until) {
                $spans[] = Span::between(Tick::of($from), Tick::of($until));
            }
        }

        return $spans;
    }
}
