<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Section;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Section as ScriptSection;
use OpenReel\Core\Script\SpeakingTime;

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

    /**
     * @return array{lines: list<array{id: string, text: string}>, expected_ms: int, silence_ms: int} what a take recorded now
     *    says of its words
     */
    public static function asTaken(Section $section): array
    {
        $script = ScriptSection::ofText($section->script);
        $timed = array_map(fn (Line $l): array => [$l->paragraph, SpeakingTime::ofText($l->text)], $script->lines);

        return [
            'lines' => self::of($section),
            'expected_ms' => SpeakingTime::spoken($timed),
            'silence_ms' => SpeakingTime::silence($script->cues),
        ];
    }
}
