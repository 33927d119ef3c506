<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\KnownSection;
use OpenReel\Core\Coverage\KnownTake;
use OpenReel\Core\Take\Verdict;

/** Which take speaks which line of a lesson. */
final class LessonCoverage
{
    /**
     * Takes that were not kept, newest first, whose words are asked for: they only tell what changed since, in sections where
     * nothing is kept.
     */
    public const TELLING = 3;

    public static function of(Lesson $lesson): Coverage
    {
        $sections = DB::table('sections')
            ->where('lesson_id', $lesson->id)
            ->whereNull('deleted_at')
            ->orderBy('position')
            ->orderBy('id')
            ->get(['id', 'script']);
        $lines = [];
        foreach (
            DB::table('lines')
                ->where('lesson_id', $lesson->id)
                ->whereNotNull('position')
                ->orderBy('position')
                ->get(['id', 'section_id', 'text']) as $row
        ) {
            $lines[$row->section_id][$row->id] = $row->text;
        }
        $takes = DB::table('takes')->where('verdict', Verdict::Kept)->whereIn('section_id', $sections->pluck('id'))->get();

        return self::from(
            array_values(
                $sections
                    ->map(fn (\stdClass $s): KnownSection => new KnownSection(
                        $s->id, $lines[$s->id] ?? [], self::isCard($s->script),
                    ))
                    ->all(),
            ),
            array_values($takes->map(fn (object $row): KnownTake => TakeReader::known((array) $row))->all()),
            $lesson,
        );
    }

    /**
     * @param  list<KnownSection>  $sections
     * @param  list<KnownTake>  $takes
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
        return str_contains($script, '[card') && \OpenReel\Core\Script\Section::ofText($script)->card() !== null;
    }
}
