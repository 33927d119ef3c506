<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Queries\Takes\TakeReader;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\LiveCue;
use OpenReel\Core\Take\WordAnchor;

/** Where in a take's lines the cues lie that were given while it was recorded, as its times are now. */
final class GivenCues
{
    /**
     * @param  list<TakeEvent>  $events
     * @return list<array{line: string, within: float, cue: string}>
     */
    public static function of(Take $take, array $events): array
    {
        return LiveCue::of(
            $events,
            $take->fluffs,
            array_map(fn (int $t): Tick => Tick::of($t), $take->line_ticks),
            TakeReader::used($take),
            array_map(fn (array $r): WordAnchor => new WordAnchor($r['line'], $r['within'], Tick::of($r['at'])), $take->reached),
        );
    }
}
