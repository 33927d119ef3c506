<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\WordPlace;

/** A lesson's cues, by section and by the words they stand at. */
final class CueResource
{
    /** @return array{revision: int, sections: array<string, list<array<string, mixed>>>} */
    public static function all(Lesson $lesson): array
    {
        $script = Script::parse($lesson->script);
        $text = $script->write();
        $lines = DB::table('lines')
            ->where('lesson_id', $lesson->id)
            ->whereNotNull('position')
            ->orderBy('position')
            ->get(['id', 'section_id'])
            ->groupBy('section_id');
        $all = [];
        foreach (array_values($lesson->sections()->pluck('id')->all()) as $index => $id) {
            $section = $script->sections[$index] ?? null;
            if ($section !== null) {
                $ids = array_values($lines->get($id)?->pluck('id')->all() ?? []);
                $all[$id] = array_map(
                    fn (Cue $cue, int $n): array => self::one($cue, $n, $section, $ids, $text),
                    $section->cues,
                    array_keys($section->cues),
                );
            }
        }

        return ['revision' => $lesson->revision, 'sections' => $all];
    }

    /**
     * @param  list<string>  $lines  ids of the section's
     * @return array<string, mixed> `line` is null behind the last one
     */
    private static function one(Cue $cue, int $number, ScriptSection $section, array $lines, string $text): array
    {
        $line = $section->lines[$cue->line - 1] ?? null;

        return [
            'number' => $number,
            'kind' => $cue->kind->value,
            'value' => $cue->value,
            'text' => substr($text, $cue->from, $cue->until - $cue->from),
            'line' => $lines[$cue->line - 1] ?? null,
            'word' => $line instanceof Line ? WordPlace::of($cue)->wordIn($line) : 0,
            'problem' => $cue->problem(),
        ];
    }
}
