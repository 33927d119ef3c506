<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Queries\Takes\TakeLevels;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\CutPlacement;

/** Where edges that a presenter chose lie in a take. */
final class WordEdges
{
    public function __construct(private readonly TakeLevels $levels)
    {
    }

    /**
     * Stretches of a take that were chosen from word to word.
     *
     * @param  list<array{Tick, Tick}>  $chosen
     * @param  list<array{int, int}>  $before  those there were: they stay where they are
     * @return list<array{int, int}> ticks from and until, in order, apart from each other
     */
    public function of(Take $take, array $chosen, array $before): array
    {
        $length = Tick::of($take->summary->length_ticks);
        $spans = [];
        foreach ($chosen as [$from, $until]) {
            $end = Tick::earlier($until, $length);
            if ($from->isBefore($end)) {
                $spans[] = Span::between($from, $end);
            }
        }

        return Spans::pairs($this->cuts($take)->besideWords($spans, Spans::ofPairs($before)));
    }

    /** The quietest place near one, in ticks; the place itself when nothing is known of the take's sound. */
    public function quiet(Take $take, int $at): int
    {
        return $this->cuts($take)->besideWord(Tick::of(max(0, $at)))->count;
    }

    private function cuts(Take $take): CutPlacement
    {
        $later = max(0, (int) $take->track(TrackKind::Microphone)?->offset_ticks);

        return new CutPlacement($this->levels->of($take), Tick::of($later));
    }
}
