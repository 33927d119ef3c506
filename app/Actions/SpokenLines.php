<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Section;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\SpeakingTime;

/** The lines of a section as they stand now: what a take recorded now speaks. */
final class SpokenLines
{
    /** @return list<array{id: string, text: string}> */
    public static function of(Section $section): array
    {
        return array_values(DB::table('lines')->where('section_id', $section->id)->whereNotNull('position')->orderBy('position')->get(['id', 'text'])
            ->map(fn (\stdClass $line): array => ['id' => (string) $line->id, 'text' => (string) $line->text])->all());
    }

    /**
     * @param  list<array{id: string, text: string}>  $lines
     * @return int milliseconds that they take to say at the assumed pace
     */
    public static function expected(array $lines): int
    {
        return array_sum(array_map(fn (array $l): int => SpeakingTime::ofText($l['text']), $lines));
    }
}
