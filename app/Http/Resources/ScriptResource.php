<?php

namespace App\Http\Resources;

use App\Models\Lesson;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Section;
use OpenReel\Core\Script\SourceMap;

/**
 * A lesson's script as text, and where in it sections and lines stand, for drawing beside it. Places are counted in
 * UTF-16 units, as browsers count.
 *
 * @mixin Lesson
 */
final class ScriptResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $script = Script::read($this->script);
        $map = new SourceMap($this->script);
        $sections = $this->sections()->get();
        $ids = DB::table('lines')->where('lesson_id', $this->id)->whereNotNull('position')->orderBy('position')->get(['id', 'section_id'])->groupBy('section_id');

        return [
            'text' => $this->script,
            'revision' => $this->revision,
            'sections' => array_map(fn (Section $s, int $i): array => [
                'id' => $sections[$i]?->id,
                'from' => $map->utf16($s->from),
                'until' => $map->utf16($s->until()),
                'lines' => array_map(fn (object $row, int $n): array => [
                    'id' => $row->id,
                    'from' => $map->utf16($s->lines[$n]->from),
                    'until' => $map->utf16($s->lines[$n]->until),
                ], $rows = array_slice(array_values($ids->get($sections[$i]->id ?? '')?->all() ?? []), 0, count($s->lines)), array_keys($rows)),
            ], $script->sections, array_keys($script->sections)),
        ];
    }
}
