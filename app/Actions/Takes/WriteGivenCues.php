<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Actions\Script\SaveScript;
use App\Models\Take;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\CuePlaces;
use OpenReel\Core\Script\PlacedCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\WordPlace;

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
                $place = new WordPlace((int) $row->position, (float) $given['within']);
                $cues[] = new PlacedCue((int) $sections[$row->section_id], $place, $given['cue']);
            }
        }
        ($this->save)($lesson, Script::parse(CuePlaces::write($script, $cues)));
        $take->update(['given' => []]);

        return array_map(fn (PlacedCue $c): string => $c->cue, $cues);
    }
}
