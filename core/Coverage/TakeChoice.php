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
        $steps = [];
        foreach ($spoken as $i => $line) {
            $chosen = $choices[$line] ?? '';
            $open = isset($speakers[$line][$chosen]) ? [$chosen => $speakers[$line][$chosen]] : $speakers[$line];
            $age = 0;
            foreach ($open as $id => $take) {
                $isBehind = $take->order === 0 && reset($open)->order > 0;
                $cost = self::cost($take, $line, $age++) + ($isBehind ? self::BEHIND : 0.0);
                $least = $i === 0 ? new ChoiceStep(0.0, null) : self::best($steps[$i - 1], (string) $id);
                $steps[$i][$id] = new ChoiceStep($cost + $least->cost, $least->before);
            }
        }

        return self::traced($spoken, array_values($steps), $speakers);
    }

    private static function cost(TakeView $take, string $line, int $age): float
    {
        return (isset($take->flawed[$line]) ? self::FLAWED : 0.0) +
            ($age === 0 ? 0.0 : self::OLDER + self::OLDER_STILL * ($age - 1));
    }

    /**
     * @param  array<string, ChoiceStep>  $before  by take id
     * @return ChoiceStep the cheapest way to a take
     */
    private static function best(array $before, string $to): ChoiceStep
    {
        $best = new ChoiceStep(INF, null);
        foreach ($before as $id => $step) {
            $sum = $step->cost + ((string) $id === $to ? 0.0 : self::CHANGE);
            if ($sum < $best->cost) {
                $best = new ChoiceStep($sum, (string) $id);
            }
        }

        return $best;
    }

    /**
     * @param  list<string>  $lines
     * @param  list<array<string, ChoiceStep>>  $steps  of each line, by take id
     * @param  array<string, array<string, TakeView>>  $speakers
     * @return array<string, TakeView>
     */
    private static function traced(array $lines, array $steps, array $speakers): array
    {
        if ($lines === []) {
            return [];
        }
        $take = self::cheapest($steps[count($steps) - 1]);
        $found = [];
        for ($i = count($lines) - 1; $i >= 0; $i--) {
            $found[$lines[$i]] = $speakers[$lines[$i]][$take];
            $take = (string) $steps[$i][$take]->before;
        }

        return $found;
    }

    /** @param  array<string, ChoiceStep>  $steps */
    private static function cheapest(array $steps): string
    {
        $costs = array_map(fn (ChoiceStep $step): float => $step->cost, $steps);

        return $costs === [] ? '' : (string) array_search(min($costs), $costs, true);
    }
}
