<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Actions\Script\SaveScript;
use App\Models\Take;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\CuePlaces;
use OpenReel\Core\Script\Script;

/** Writes into the script what the presenter changed by key while recording a take, so that the script tells all that is seen. */
final class WriteGivenCues
{
    public function __construct(private readonly SaveScript $save)
    {
    }

    /** @return list<string> the cues that were written */
    public function __invoke(Take $take): array
    {
        if ($take->given === []) {
            return [];
        }
        $lesson = $take->section->lesson;
        $script = Script::parse($lesson->script);
        $sections = array_flip($lesson->sections()->pluck('id')->all());
        $cues = [];
        foreach ($take->given as $given) {
            $row = DB::table('lines')->where('id', $given['line'])->whereNotNull('position')->first();
            if ($row !== null && isset($sections[$row->section_id])) {
                $cues[] = [
                    'section' => (int) $sections[$row->section_id],
                    'line' => (int) $row->position,
                    'within' => (float) $given['within'],
                    'cue' => $given['cue'],
                ];
            }
        }
        ($this->save)($lesson, Script::parse(CuePlaces::write($script, $cues)));
        $take->update(['given' => []]);

        return array_column($cues, 'cue');
    }
}
