<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\Event\TrackStarted;

/** When each track began, on the take's clock, which begins with the first of them. */
final class TrackOffsets
{
    /**
     * @param  list<TakeEvent>  $events  in order of time
     * @return array<string, Tick> by kind, as far as the recorder noted it; the first start of each counts
     */
    public static function of(array $events): array
    {
        $starts = [];
        foreach ($events as $event) {
            if ($event instanceof TrackStarted) {
                $starts[$event->track->value] ??= $event->atMs;
            }
        }

        if ($starts === []) {
            return [];
        }
        $first = min($starts);

        return array_map(fn (int $at): Tick => Tick::ofMilliseconds($at - $first), $starts);
    }
}
