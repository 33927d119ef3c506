<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\StepReached;
use OpenReel\Core\Take\Event\TakeEvent;

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
     * Cues inside a line that the presenter went on to: when they were first reached since the line was begun last.
     *
     * @param  list<SpokenLine>  $lines  as recorded, in order
     * @param  list<TakeEvent>  $events
     * @return list<WordAnchor> in order of lines and places
     */
    public static function reached(array $lines, array $events): array
    {
        $clock = TakeClock::fromEvents($events);
        $reached = [];
        foreach ($events as $event) {
            if ($event instanceof LineShown) {
                // Going back to a line takes back everything in it and behind it.
                $reached = array_filter($reached, fn (array $r): bool => $r[0] < $event->line);
            } elseif ($event instanceof StepReached && $event->line <= count($lines)) {
                $reached = array_filter(
                    $reached,
                    fn (array $r): bool => $r[0] < $event->line || ($r[0] === $event->line && $r[1] <= $event->within),
                );
                if ($event->within > 0) {
                    $reached["{$event->line} {$event->within}"] ??= [$event->line, $event->within, $event->atMs];
                }
            }
        }

        return array_map(
            fn (array $r): WordAnchor => new WordAnchor($lines[$r[0] - 1]->id, $r[1], $clock->at($r[2])),
            array_values($reached),
        );
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
