<?php

namespace App\Http\Resources;

use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\LineSplitter;
use OpenReel\Core\Script\SpeakingTime;

/** @mixin Section */
final class SectionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return self::whole($this->resource, array_values($this->takes->map(fn (Take $take): array => (new TakeResource($take))->toArray())->all()));
    }

    /**
     * @param  list<array<string, mixed>>  $takes  as TakeResource gives them
     * @return array<string, mixed>
     */
    public static function whole(Section $section, array $takes): array
    {
        $lines = LineSplitter::split($section->script);

        return [
            'id' => $section->id,
            'heading' => $section->heading,
            'script' => $section->script,
            'lines' => array_map(fn (Line $l): array => ['number' => $l->number, 'paragraph' => $l->paragraph, 'text' => $l->text], $lines),
            'estimate_ms' => SpeakingTime::of($lines)->milliseconds(),
            'slide' => $section->slide === null ? null : self::slide($section->slide),
            'layout' => $section->layout->value,
            'inset_corner' => $section->inset_corner->value,
            'inset_size' => $section->inset_size->value,
            'takes' => $takes,
        ];
    }

    /** @return array<string, mixed> */
    private static function slide(Slide $slide): array
    {
        return ['id' => $slide->id, 'name' => $slide->name, 'width' => $slide->width, 'height' => $slide->height, 'url' => "/api/slides/{$slide->id}/picture"];
    }
}
