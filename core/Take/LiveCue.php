<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\CueGiven;
use OpenReel\Core\Take\Event\TakeEvent;

/** Where in its lines the cues lie that were given while a take was recorded. */
final class LiveCue
{
    /** What is changed so shortly after a line began was meant for its beginning: ticks. */
    private const NEAR = 14_400;

    /**
     * @param  list<TakeEvent>  $events  in order of time
     * @param  list<Span>  $retakes  what was changed in these is done again, or not meant
     * @param  array<string, Tick>  $lines  when each begins, by id, in order
     * @param  list<Span>  $used
     * @param  list<WordAnchor>  $reached  places inside lines of which the moment is known
     * @return list<GivenCue> of two at the same place the later one
     */
    public static function of(array $events, array $retakes, array $lines, array $used, array $reached = []): array
    {
        $clock = TakeClock::fromEvents($events);
        $end = $used === [] ? 0 : $used[count($used) - 1]->until->count;
        $given = [];
        foreach ($events as $event) {
            if (! ($event instanceof CueGiven) || $lines === []) {
                continue;
            }
            $at = $clock->at($event->atMs)->count;
            if (array_filter($retakes, fn (Span $r): bool => $r->from->count <= $at && $at < $r->until->count) !== []) {
                continue;
            }
            $one = self::placed($event->cue, $at, $lines, $end, $reached);
            $given["{$one->line} {$one->within} ".strtok($event->cue, ' :]')] = $one;
        }

        return array_values($given);
    }

    /**
     * @param  non-empty-array<string, Tick>  $lines
     * @param  list<WordAnchor>  $reached
     */
    private static function placed(string $cue, int $at, array $lines, int $end, array $reached): GivenCue
    {
        $ids = array_map(strval(...), array_keys($lines));
        $index = 0;
        foreach ($ids as $i => $id) {
            $index = $lines[$id]->count <= $at ? $i : $index;
        }
        $from = $lines[$ids[$index]]->count;
        $until = max($from + 1, isset($ids[$index + 1]) ? $lines[$ids[$index + 1]]->count : $end);
        if ($at - $from < self::NEAR) {
            return new GivenCue($ids[$index], 0.0, $cue);
        }
        if ($until - $at < self::NEAR && isset($ids[$index + 1])) {
            return new GivenCue($ids[$index + 1], 0.0, $cue);
        }

        [$before, $behind] = [[0.0, $from], [1.0, $until]];
        foreach ($reached as $place) {
            if ($place->line === $ids[$index] && $place->at->count > $from && $place->at->count < $until) {
                if ($place->at->count <= $at) {
                    $before = max($before, [$place->within, $place->at->count]);
                } else {
                    $behind = min($behind, [$place->within, $place->at->count]);
                }
            }
        }
        $part = ($at - $before[1]) / max(1, $behind[1] - $before[1]);

        $within = round(min(0.99, max(0.0, $before[0] + $part * ($behind[0] - $before[0]))), 3);

        return new GivenCue($ids[$index], $within, $cue);
    }
}
