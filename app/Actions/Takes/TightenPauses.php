<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Lesson;
use App\Models\Take;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Takes\PauseTightening;
use App\Queries\Takes\TakeReader;
use OpenReel\Core\Take\AlignmentStatus;

/** Makes the pauses in a lesson's takes as long as its style wants them. */
final class TightenPauses
{
    public function __invoke(Lesson $lesson): void
    {
        $longest = LessonStyle::of($lesson)->longestPause;
        /** @var list<Take> $takes */
        $takes = Take::query()
            ->whereIn('section_id', $lesson->sections()->select('id'))
            ->where('hearing', AlignmentStatus::Sure)
            ->get()
            ->all();
        foreach ($takes as $take) {
            $take->tightened = PauseTightening::of($take, $longest);
            if ($take->isDirty('tightened')) {
                $take->used_ticks = TakeReader::usedTicks($take);
                $take->save();
                $take->section->touch();
            }
        }
    }
}
