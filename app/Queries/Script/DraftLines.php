<?php

declare(strict_types=1);

namespace App\Queries\Script;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\SectionCoverage;

/** The lines of a lesson that nobody has spoken yet. */
final class DraftLines
{
    /** @return array<string, string> words by line id */
    public static function of(Lesson $lesson, Coverage $coverage): array
    {
        $sections = array_values($coverage->sections);
        $missing = array_merge([], ...array_map(fn (SectionCoverage $s): array => $s->missing, $sections));

        return DB::table('lines')
            ->where('lesson_id', $lesson->id)
            ->whereNotNull('position')
            ->whereIn('id', $missing)
            ->pluck('text', 'id')
            ->all();
    }
}
