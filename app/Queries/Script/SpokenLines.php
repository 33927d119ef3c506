<?php

declare(strict_types=1);

namespace App\Queries\Script;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\ScriptSection as ScriptSection;
use OpenReel\Core\Script\SpeakingTime;
use OpenReel\Core\Script\SpokenLength;

/** The lines of a section as they stand now: what a take recorded now speaks. */
final class SpokenLines
{
    /** @return list<array{id: string, text: string}> */
    public static function of(Section $section): array
    {
        return array_values(
            DB::table('lines')
                ->where('section_id', $section->id)
                ->whereNotNull('position')
                ->orderBy('position')
                ->get(['id', 'text'])
                ->map(fn (\stdClass $line): array => ['id' => (string) $line->id, 'text' => (string) $line->text])
                ->all(),
        );
    }

    /** @return array{lines: list<array{id: string, text: string}>, expected_ms: int, silence_ms: int} all lines of a lesson */
    public static function ofLesson(Lesson $lesson): array
    {
        $lines = $expected = $silence = [];
        foreach ($lesson->sections()->get() as $section) {
            $taken = self::asTaken($section);
            array_push($lines, ...$taken['lines']);
            $expected[] = $taken['expected_ms'];
            $silence[] = $taken['silence_ms'];
        }

        return ['lines' => $lines, 'expected_ms' => array_sum($expected), 'silence_ms' => array_sum($silence)];
    }

    /**
     * @param  list<string>|null  $only  ids of the lines that are recorded; null for all
     * @return array{lines: list<array{id: string, text: string}>, expected_ms: int, silence_ms: int} what a take recorded now
     *    says of its words
     */
    public static function asTaken(Section $section, ?array $only = null): array
    {
        $lines = self::of($section);
        if ($only !== null) {
            $lines = array_values(array_filter($lines, fn (array $l): bool => in_array($l['id'], $only, true)));

            return [
                'lines' => $lines,
                'expected_ms' => array_sum(array_map(fn (array $l): int => SpeakingTime::ofText($l['text']), $lines)),
                'silence_ms' => 0,
            ];
        }
        $script = ScriptSection::ofText($section->script);

        return [
            'lines' => $lines,
            'expected_ms' => SpeakingTime::spoken(array_map(SpokenLength::of(...), $script->lines)),
            'silence_ms' => SpeakingTime::silence($script->cues),
        ];
    }
}
