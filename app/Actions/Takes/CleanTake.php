<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Take;
use OpenReel\Core\Sound\Cleaning;

/** Sets how a take's sound is cleaned in the film; the recording is not touched. */
final class CleanTake
{
    /** @param  Cleaning|null  $cleaning  null as the lesson's */
    public function __invoke(Take $take, ?Cleaning $cleaning): void
    {
        $take->update(['cleaning' => $cleaning?->toArray()]);
        $take->section->touch();
        LessonChanged::dispatch($take->section->lesson_id);
    }
}
