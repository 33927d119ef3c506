<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Queries\Takes\TakeFindings;
use App\Queries\Takes\TakeViews;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\GivenCue;
use OpenReel\Core\Take\LiveCue;

/** Where in a take's lines the cues lie that were given while it was recorded, as its times are now. */
final class GivenCues
{
    /**
     * @param  list<TakeEvent>  $events
     * @return list<array<string, string|float>> as they are stored
     */
    public static function of(Take $take, array $events): array
    {
        $found = TakeFindings::of($take);
        $view = TakeViews::of($take, $found);

        $given = LiveCue::of(
            $events, $found->ingest->retakes ?? [], $view->timings->starts, $view->used, $view->timings->anchors,
        );

        return array_map(fn (GivenCue $g): array => $g->toArray(), $given);
    }
}
