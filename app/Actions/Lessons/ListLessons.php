<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Models\Lesson;
use App\Models\Section as SectionRow;
use App\People\Memberships;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Take\Verdict;

/** What the shelf shows of every lesson, the one changed last first. */
final class ListLessons
{
    /** @return list<array<string, mixed>> */
    public function __invoke(): array
    {
        $own = Memberships::lessons(Lesson::query())->toBase()->select('lessons.id');
        $kept = DB::table('takes')
            ->where('verdict', Verdict::Kept)
            ->join('sections', 'sections.id', '=', 'takes.section_id')
            ->join('take_summaries', 'take_summaries.take_id', '=', 'takes.id')
            ->whereIn('sections.lesson_id', $own)
            ->whereNull('sections.deleted_at')
            ->groupBy('sections.lesson_id')
            ->selectRaw('sections.lesson_id as lesson, count(distinct sections.id) as sections, total(used_ticks) as ticks')
            ->get()
            ->keyBy('lesson');
        $cards = $this->cards($own);
        $standing = Memberships::inMany();
        $first = SectionRow::query()
            ->whereIn('lesson_id', $own)
            ->whereNotNull('slide_id')
            ->orderByDesc('position')
            ->pluck('slide_id', 'lesson_id');

        return array_values(
            Memberships::lessons(Lesson::query())
                ->withCount('sections')
                ->get()
                ->sortByDesc('updated_at')
                ->map(
                    fn (Lesson $lesson): array => [
                        'id' => $lesson->id,
                        'title' => $lesson->title,
                        'may' => array_column($standing($lesson)->rights(), 'value'),
                        'width' => $lesson->width,
                        'height' => $lesson->height,
                        'fps' => $lesson->fps,
                        'sections' => (int) $lesson->getAttribute('sections_count'),
                        'course_id' => $lesson->course_id,
                        'kept' => (int) ($kept[$lesson->id]->sections ?? 0) + count($cards[$lesson->id] ?? []),
                        'running_ms' => Tick::of(
                            (int) ($kept[$lesson->id]->ticks ?? 0) + array_sum($cards[$lesson->id] ?? []),
                        )->milliseconds(),
                        'slide_url' => isset($first[$lesson->id]) ? "/api/slides/{$first[$lesson->id]}/picture" : null,
                        'updated_at' => $lesson->updated_at->toIso8601ZuluString(),
                    ],
                )
                ->all(),
        );
    }

    /**
     * @param  Builder  $own  ids of one's own lessons
     * @return array<string, list<int>> ticks of each card by lesson: cards need no take
     */
    private function cards(Builder $own): array
    {
        $cards = [];
        $rows = DB::table('sections')
            ->whereIn('lesson_id', $own)
            ->whereNull('deleted_at')
            ->where('script', 'like', '%[card%')
            ->get(['lesson_id', 'script']);
        foreach ($rows as $row) {
            $card = ScriptSection::ofText($row->script)->card();
            if ($card !== null) {
                $cards[$row->lesson_id][] = $card->length->count;
            }
        }

        return $cards;
    }
}
