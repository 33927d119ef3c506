<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;

/**
 * Hangs every take on the section where it belongs: the one it was recorded for or, when that was merged into another,
 * the one that most of its lines stand in now. When the section comes back, so do its takes.
 */
final class ReassignTakes
{
    public function __invoke(Lesson $lesson): void
    {
        $takes = DB::table('takes')
            ->join('sections', 'sections.id', '=', 'takes.recorded_in')
            ->where('sections.lesson_id', $lesson->id)
            ->where(
                fn ($q) => $q->whereNotNull('sections.deleted_at')->orWhereColumn('takes.section_id', '!=', 'takes.recorded_in'),
            )
            ->get(['takes.id', 'takes.section_id', 'takes.recorded_in', 'takes.lines', 'sections.deleted_at']);
        if ($takes->isEmpty()) {
            return;
        }
        $sectionOf = DB::table('lines')->where('lesson_id', $lesson->id)->whereNotNull('position')->pluck('section_id', 'id');
        foreach ($takes as $take) {
            $places = array_count_values(
                array_filter(
                    array_map(fn (array $l): ?string => $sectionOf[$l['id']] ?? null, (array) json_decode($take->lines, true)),
                ),
            );
            arsort($places);
            $home = $take->deleted_at === null ? $take->recorded_in : array_key_first($places) ?? $take->recorded_in;
            if ($home !== $take->section_id) {
                DB::table('takes')
                    ->where('id', $take->id)
                    ->update(['section_id' => $home]);
            }
        }
    }
}
