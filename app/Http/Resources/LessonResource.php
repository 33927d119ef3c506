<?php

namespace App\Http\Resources;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\TakeState;
use App\Models\Track;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * A lesson with everything in it.
 *
 * @mixin Lesson
 */
final class LessonResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $sections = $this->sections()->with('slide')->get();
        $takes = self::takes(array_values($sections->modelKeys()));

        return [
            'id' => $this->id,
            'title' => $this->title,
            'width' => $this->width,
            'height' => $this->height,
            'fps' => $this->fps,
            'updated_at' => $this->updated_at->toIso8601ZuluString(),
            'sections' => $sections->map(fn (Section $s): array => SectionResource::whole($s, $takes[$s->id] ?? []))->all(),
        ];
    }

    /**
     * @param  list<string>  $sections
     * @return array<string, list<array<string, mixed>>> by section, in order of their numbers
     */
    private static function takes(array $sections): array
    {
        /** @var array<string, list<Track>> $tracks */
        $tracks = Track::query()
            ->whereIn('take_id', DB::table('takes')->whereIn('section_id', $sections)->where('state', TakeState::Recording)->select('id'))
            ->get()->groupBy('take_id')->map(fn (Collection $of): array => array_values($of->all()))->all();
        $takes = [];
        foreach (DB::table('takes')->whereIn('section_id', $sections)->orderBy('number')->get() as $row) {
            $takes[$row->section_id][] = TakeResource::row((array) $row, $tracks[$row->id] ?? []);
        }

        return $takes;
    }
}
