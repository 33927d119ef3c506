<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Export;
use App\Models\Lesson;
use OpenReel\Core\Render\ExportPreset;

/** As what the lessons of a course are exported: as the last one was. */
final class UsualPresets
{
    /** @return non-empty-list<ExportPreset> */
    public static function of(Lesson $lesson): array
    {
        $like = $lesson->course_id === null ? [$lesson->id] : Lesson::query()->where(
            'course_id', $lesson->course_id,
        )->pluck('id');
        $last = Export::query()->whereIn('lesson_id', $like)->where('draft', false)->latest()->orderByDesc('id')->first();
        /** @var list<Export> $together */
        $together = $last?->batch === null ? array_filter([$last]) : Export::query()->where('batch', $last->batch)->get()->all();
        $editions = [];
        foreach ($together as $export) {
            // A section is one lesson's own.
            if ($export->edition()->section === null) {
                $editions[] = $export->edition();
            }
        }

        return $editions === [] ? [new ExportPreset()] : array_values(array_unique($editions, SORT_REGULAR));
    }
}
