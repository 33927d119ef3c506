<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Models\Course;
use App\Models\Lesson;
use Illuminate\Support\Facades\DB;

/** Counts a change of a lesson, or of the course of several, so that others who look at it hear of it (PresenceController). */
final class CountChange
{
    /** @return int|null which change of the lesson it is; null for a course */
    public static function of(Lesson|Course $place): ?int
    {
        // Its age is not meant: nobody saved the lesson.
        $lessons = DB::table('lessons')->where($place instanceof Course ? 'course_id' : 'id', $place->id);
        $lessons->increment('changes');

        return $place instanceof Course ? null : (int) $lessons->value('changes');
    }
}
