<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\TakeView;

/**
 * Which of the takes that speak a section's lines is heard for each, where the presenter did not say: the way through the lines
 * that costs least, by dynamic programming.
 *
 * What is paid: for a line that is not said well (FLAWED), for one that was said again later (OLDER), for every change of take
 * (CHANGE). A line that was recorded again is meant to be heard, so two changes and what lies between cost less than the take of
 * before; a flaw costs more than going back to it for one line. Among older takes the newer one is heard. A take that is
 * kept only for lines that were chosen of it speaks no others (BEHIND), unless nobody else does.
 */
final class TakeChoice
{
    private const FLAWED = 5.0;

    private const OLDER = 2.5;

    /** For each take that was kept later still. */
    private const OLDER_STILL = 0.1;

    private const CHANGE = 1.0;

    private const BEHIND = 1_000.0;

    /**
     * @param  list<string>  $lines  ids, in order
     * @param  array<string, array<string, TakeView>>  $speakers  by line id and take id, kept last first
     * @param  array<string, string>  $choices  id of the take that the presenter chose, by line id
     * @return array<string, TakeView> by line id; a line that nobody speaks is left out
     */
    public static function of(array $lines, array $speakers, array $choices): array
    {
        $spoken = array_values(array_filter($lines, fn (string $line): bool => ($speakers[$line] ?? []) !== []));
        /** @var list<array<string, array{float, string|null}>> $ways of each line: cost so far and the take before, by take id */
        $ways = [];
        foreach ($spoken as $i => $line) {
            $chosen = $choices[$line] ?? '';
            $open = isset($speakers[$line][$chosen]) ? [$chosen => $speakers[$line][$chosen]] : $speakers[$line];
            $age = 0;
            foreach ($open as $id => $take) {
                $isBehind = $take->order === 0 && reset($open)->order > 0;
                $cost = self::cost($take, $line, $age++) + ($isBehind ? self::BEHIND : 0.0);
                [$least, $from] = $i === 0 ? [0.0, null] : self::best($ways[$i - 1], (string) $id);
                $ways[$i][$id] = [$cost + $least, $from];
            }
        }

        return self::traced($spoken, $ways, $speakers);
    }

    private static function cost(TakeView $take, string $line, int $age): float
    {
        return (isset($take->flawed[$line]) ? self::FLAWED : 0.0) +
            ($age === 0 ? 0.0 : self::OLDER + self::OLDER_STILL * ($age - 1));
    }

    /**
     * @param  array<string, array{float, string|null}>  $before
     * @return array{float, string|null} cost of coming to a take, and from which
     */
    private static function best(array $before, string $to): array
    {
        $best = [INF, null];
        foreach ($before as $id => [$cost]) {
            $sum = $cost + ((string) $id === $to ? 0.0 : self::CHANGE);
            if ($sum < $best[0]) {
                $best = [$sum, (string) $id];
            }
        }

        return $best;
    }

    /**
     * @param  list<string>  $lines
     * @param  list<array<string, array{float, string|null}>>  $ways
     * @param  array<string, array<string, TakeView>>  $speakers
     * @return array<string, TakeView>
     */
    private static function traced(array $lines, array $ways, array $speakers): array
    {
        if ($lines === []) {
            return [];
        }
        $take = self::cheapest($ways[count($ways) - 1]);
        $found = [];
        for ($i = count($lines) - 1; $i >= 0; $i--) {
            $found[$lines[$i]] = $speakers[$lines[$i]][$take];
            $take = (string) $ways[$i][$take][1];
        }

        return $found;
    }

    /** @param  array<string, array{float, string|null}>  $ways */
    private static function cheapest(array $ways): string
    {
        $costs = array_map(fn (array $way): float => $way[0], $ways);

        return $costs === [] ? '' : (string) array_search(min($costs), $costs, true);
    }
}
