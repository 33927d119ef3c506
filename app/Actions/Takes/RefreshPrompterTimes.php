<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Models\TakeResult;
use App\Queries\Takes\TakeEvents;
use App\Queries\Takes\TakeFindings;
use App\Queries\Takes\TakeLevels;
use OpenReel\Core\Analysis\Ingest;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\ResultStage;

/**
 * Looks again for the times of a take that was processed by a version which overwrote them with those that were heard: from its
 * levels and its event log, so that they are there when it is not sure any more what it says.
 */
final class RefreshPrompterTimes
{
    public function __construct(
        private readonly TakeLevels $levels,
        private readonly TakeEvents $events,
        private readonly KeepResult $results,
    ) {
    }

    public function __invoke(Take $take): void
    {
        $known = TakeResult::query()->where('take_id', $take->id)->where('stage', ResultStage::Ingest)->latest('id')->first();
        $ingest = TakeFindings::of($take)->ingest;
        $levels = $this->levels->of($take);
        if ($known?->version !== IngestResult::BROUGHT_OVER || $ingest === null || $levels === null) {
            return;
        }
        $again = (new Ingest(
            $ingest->length,
            $levels,
            Tick::of(max(0, (int) $take->track(TrackKind::Microphone)?->offset_ticks)),
            $take->spokenLines(),
            $this->events->of($take),
        ))->result();
        $this->results->ingest($take, $ingest->withTimes($again->speech, $again->timings), $known->input_hash);
    }
}
