<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/**
 * When each line of a take began: where the prompter stood, as the recorder noted it; between those moments, and in takes
 * made elsewhere, by how long the words take to say.
 */
final class LineTimes
{
    /**
     * @param  list<SpokenLine>  $lines  as recorded, in order
     * @param  list<TakeEvent>  $events
     * @param  Span  $used  nothing begins outside it
     * @return array<string, Tick> by line id, never going back
     */
    public static function of(array $lines, array $events, Span $used): array
    {
        $known = self::noted($lines, $events, $used);
        $known[0] ??= $used->from->count;
        ksort($known);
        $known[count($lines)] = $used->until->count;
        $times = [];
        $places = array_keys($known);
        foreach ($places as $i => $first) {
            $last = $places[$i + 1] ?? null;
            if ($last === null) {
                break;
            }
            $weights = array_map(
                fn (SpokenLine $l): int => max(1, SpeakingTime::ofText($l->text)),
                array_slice($lines, $first, $last - $first),
            );
            $all = array_sum($weights);
            $spoken = 0;
            foreach ($weights as $offset => $weight) {
                $times[$lines[$first + $offset]->id] = Tick::of(
                    $known[$first] + intdiv(($known[$last] - $known[$first]) * $spoken, max(1, $all)),
                );
                $spoken += $weight;
            }
        }

        return $times;
    }

    /**
     * The last time the prompter came to each line: what was said before was said again.
     *
     * @param  list<SpokenLine>  $lines
     * @param  list<TakeEvent>  $events
     * @return array<int, int> ticks by index of the line, rising
     */
    private static function noted(array $lines, array $events, Span $used): array
    {
        $clock = TakeClock::fromEvents($events);
        $noted = [];
        foreach ($events as $event) {
            $index = $event instanceof LineShown ? $event->line - 1 : -1;
            if ($index >= 0 && $index < count($lines)) {
                // Going back to a line takes back everything behind it.
                $noted = array_filter($noted, fn (int $i): bool => $i < $index, ARRAY_FILTER_USE_KEY);
                $noted[$index] = max($used->from->count, min($used->until->count, $clock->at($event->atMs)->count));
            }
        }

        return $noted;
    }
}
