<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Lesson;
use App\Queries\Lessons\LessonSnapshot;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/** Which take speaks which line of a lesson. */
final class LessonCoverage
{
    /** @param  string|null  $asKept  id of a take that is treated as if it were kept now */
    public static function of(Lesson $lesson, ?string $asKept = null): Coverage
    {
        return self::ofSnapshot(LessonSnapshot::of($lesson), $asKept);
    }

    /** @param  string|null  $asKept  id of a take that is treated as if it were kept now */
    public static function ofSnapshot(LessonSnapshot $lesson, ?string $asKept = null): Coverage
    {
        $ids = self::takes($lesson, $asKept);
        $takes = TakeViews::light(fn (Builder $q) => $q->whereIn('takes.id', $ids));

        return self::from(
            $lesson, array_map(fn (TakeView $t): TakeView => $t->id === $asKept ? $t->asKeptNow() : $t, $takes),
        );
    }

    /**
     * The takes that may be heard in a lesson: all that are kept.
     *
     * @param  string|null  $asKept  id of one that is treated as if it were kept now
     * @return list<string> ids
     */
    public static function takes(LessonSnapshot $lesson, ?string $asKept = null): array
    {
        return array_values(DB::table('takes')
            ->where(fn (Builder $q) => $q->where('verdict', Verdict::Kept)->orWhere('id', $asKept))
            ->whereIn('section_id', array_column($lesson->sections(), 'id'))
            ->pluck('id')->all());
    }

    /** @param  list<TakeView>  $takes */
    public static function from(LessonSnapshot $lesson, array $takes): Coverage
    {
        return Coverage::of(
            $lesson->coverageSections(),
            $takes,
            DB::table('line_choices')->where('lesson_id', $lesson->lesson->id)->pluck('take_id', 'line_id')->all(),
        );
    }
}
