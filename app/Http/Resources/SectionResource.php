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
        $lines = LineSplitter::split($this->script);

        return [
            'id' => $this->id,
            'heading' => $this->heading,
            'script' => $this->script,
            'lines' => array_map(fn (Line $l): array => ['number' => $l->number, 'paragraph' => $l->paragraph, 'text' => $l->text], $lines),
            'estimate_ms' => SpeakingTime::of($lines)->milliseconds(),
            'slide' => $this->slide === null ? null : self::slide($this->slide),
            'layout' => $this->layout->value,
            'inset_corner' => $this->inset_corner->value,
            'inset_size' => $this->inset_size->value,
            'takes' => $this->takes->map(fn (Take $take): array => (new TakeResource($take))->toArray())->all(),
        ];
    }

    /** @return array<string, mixed> */
    private static function slide(Slide $slide): array
    {
        return ['id' => $slide->id, 'name' => $slide->name, 'width' => $slide->width, 'height' => $slide->height, 'url' => "/api/slides/{$slide->id}/picture"];
    }
}
