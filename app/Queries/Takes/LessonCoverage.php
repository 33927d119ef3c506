<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Lesson;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/** Which take speaks which line of a lesson. */
final class LessonCoverage
{
    /**
     * Takes of a section, kept ones first and then the newest, whose words are asked for: as many as the margin of the page
     * shows.
     */
    public const TELLING = 3;

    /** @param  string|null  $asKept  id of a take that is treated as if it were kept now */
    public static function of(Lesson $lesson, ?string $asKept = null): Coverage
    {
        $sections = DB::table('sections')
            ->where('lesson_id', $lesson->id)
            ->whereNull('deleted_at')
            ->orderBy('position')
            ->orderBy('id')
            ->get(['id', 'script']);
        $lines = [];
        $rows = DB::table('lines')
            ->where('lesson_id', $lesson->id)
            ->whereNotNull('position')
            ->orderBy('position')
            ->get(['id', 'section_id', 'text']);
        foreach ($rows as $row) {
            $lines[$row->section_id][$row->id] = $row->text;
        }
        $takes = TakeViews::light(fn (Builder $q) => $q
            ->where(fn (Builder $q) => $q->where('verdict', Verdict::Kept)->orWhere('takes.id', $asKept))
            ->whereIn('section_id', $sections->pluck('id')));

        return self::from(
            array_values(
                $sections
                    ->map(
                        fn (\stdClass $s): CoverageSection => new CoverageSection(
                            $s->id,
                            $lines[$s->id] ?? [],
                            self::isCard($s->script),
                        ),
                    )
                    ->all(),
            ),
            array_map(fn (TakeView $t): TakeView => $t->id === $asKept ? $t->asKeptNow() : $t, $takes),
            $lesson,
        );
    }

    /**
     * @param  list<CoverageSection>  $sections
     * @param  list<TakeView>  $takes
     */
    public static function from(array $sections, array $takes, Lesson $lesson): Coverage
    {
        return Coverage::of(
            $sections,
            $takes,
            DB::table('line_choices')->where('lesson_id', $lesson->id)->pluck('take_id', 'line_id')->all(),
        );
    }

    /** @param  string  $script  a section's part of the script */
    public static function isCard(string $script): bool
    {
        return str_contains($script, '[card') && \OpenReel\Core\Script\ScriptSection::ofText($script)->card() !== null;
    }
}
