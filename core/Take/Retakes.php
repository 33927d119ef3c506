<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\LineRestarted;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\TakeEvent;

/** Reads of lines that went wrong: from where the line was begun to where the presenter went again. */
final class Retakes
{
    /**
     * @param  list<TakeEvent>  $events  in order of time
     * @return list<Span> in take time, in order, apart from each other
     */
    public static function of(array $events): array
    {
        $clock = TakeClock::fromEvents($events);
        $begun = [];
        $spans = [];
        foreach ($events as $event) {
            if ($event instanceof LineShown) {
                $begun[$event->line] = $event->atMs;
            } elseif ($event instanceof LineRestarted) {
                $from = $clock->at($begun[$event->line] ?? $event->atMs);
                $until = $clock->at($event->atMs);
                $begun[$event->line] = $event->atMs;
                if ($from->isBefore($until)) {
                    $spans[] = Span::between($from, $until);
                }
            }
        }

        return self::joined($spans);
    }

    /**
     * @param  list<Span>  $spans
     * @return list<Span>
     */
    private static function joined(array $spans): array
    {
        usort($spans, fn (Span $a, Span $b): int => $a->from->count <=> $b->from->count);
        $joined = [];
        foreach ($spans as $span) {
            $last = array_pop($joined);
            if ($last !== null && $last->until->isBefore($span->from)) {
                $joined[] = $last;
                $last = null;
            }
            $joined[] = $last === null ? $span : Span::between($last->from, Tick::later($last->until, $span->until));
        }

        return $joined;
    }
}
