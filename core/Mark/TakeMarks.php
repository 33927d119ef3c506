<?php

declare(strict_types=1);

namespace OpenReel\Core\Mark;

use OpenReel\Core\Take\Event\BoxDrawn;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\TakeClock;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** What was drawn while a take was recorded: from its events, in take time. */
final class TakeMarks
{
    /**
     * @param  list<TakeEvent>  $events
     * @return list<TakeMark>
     */
    public static function of(array $events): array
    {
        $clock = TakeClock::fromEvents($events);
        $marks = [];
        foreach ($events as $event) {
            if ($event instanceof BoxDrawn) {
                $from = $clock->at($event->atMs);
                $until = Tick::later($clock->at($event->atMs + $event->forMs), $from->plus(Tick::of(1)));
                $marks[] = new TakeMark($event->box, Span::between($from, $until));
            }
        }

        return $marks;
    }
}
