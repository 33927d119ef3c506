<?php

declare(strict_types=1);

namespace App\Queries\Script;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\PaceSample;

/** The presenter's pace, from the kept takes of this lesson and the others of its course. */
final class LearnedPace
{
    /** The latest takes tell; older ones only cost time. */
    private const LATEST = 60;

    public static function of(Lesson $lesson): Pace
    {
        $takes = DB::table('takes')
            ->join('sections', 'sections.id', '=', 'takes.section_id')
            ->join('lessons', 'lessons.id', '=', 'sections.lesson_id')
            ->join('take_summaries', 'take_summaries.take_id', '=', 'takes.id')
            ->where('takes.verdict', 'kept')
            ->where('takes.state', 'ready')
            ->where(
                fn ($q) => $lesson->course_id === null
                    ? $q->where('lessons.id', $lesson->id)
                    : $q->where('lessons.course_id', $lesson->course_id),
            )
            ->orderByDesc('takes.id')
            ->limit(self::LATEST)
            ->get([
                'takes.expected_ms',
                'takes.silence_ms',
                'take_summaries.used_ticks',
            ]);

        return Pace::learn(
            array_values(
                $takes
                    ->map(
                        fn (object $t): PaceSample => new PaceSample(
                            (int) $t->expected_ms,
                            intdiv((int) $t->used_ticks, Tick::PER_MILLISECOND) - (int) $t->silence_ms,
                        ),
                    )
                    ->all(),
            ),
        );
    }
}
