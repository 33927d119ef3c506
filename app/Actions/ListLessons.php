<?php

namespace App\Actions;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Time\Tick;

/** What the shelf shows of every lesson, the one changed last first. */
final class ListLessons
{
    /** @return list<array<string, mixed>> */
    public function __invoke(): array
    {
        $kept = DB::table('takes')->where('verdict', Verdict::Kept)
            ->join('sections', 'sections.id', '=', 'takes.section_id')->whereNull('sections.deleted_at')
            ->groupBy('sections.lesson_id')
            ->selectRaw('sections.lesson_id as lesson, count(*) as takes, sum(coalesce(used_until, speech_until, length_ticks) - coalesce(used_from, speech_from, 0)) as ticks')
            ->get()->keyBy('lesson');
        $first = Section::query()->whereNotNull('slide_id')->orderByDesc('position')->pluck('slide_id', 'lesson_id');

        return array_values(Lesson::query()->withCount('sections')->get()->sortByDesc('updated_at')->map(fn (Lesson $lesson): array => [
            'id' => $lesson->id,
            'title' => $lesson->title,
            'width' => $lesson->width,
            'height' => $lesson->height,
            'fps' => $lesson->fps,
            'sections' => (int) $lesson->getAttribute('sections_count'),
            'kept' => (int) ($kept[$lesson->id]->takes ?? 0),
            'running_ms' => Tick::of((int) ($kept[$lesson->id]->ticks ?? 0))->milliseconds(),
            'slide_url' => isset($first[$lesson->id]) ? "/api/slides/{$first[$lesson->id]}/picture" : null,
            'updated_at' => $lesson->updated_at->toIso8601ZuluString(),
        ])->all());
    }
}
