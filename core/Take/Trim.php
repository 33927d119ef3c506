<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** Which stretches of a take are used: what the presenter chose, or else the speech found, or else all of it; without fluffs. */
final class Trim
{
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
