<?php

namespace App\Http\Resources;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Lesson */
final class LessonResource extends JsonResource
{
    public static function whole(Lesson $lesson): self
    {
        return new self($lesson->load(['sections.slide', 'sections.takes.tracks' => fn ($tracks) => $tracks
            ->whereHas('take', fn ($take) => $take->where('state', 'recording'))]));
    }

    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return [
            'id' => $this->id,
            'title' => $this->title,
            'width' => $this->width,
            'height' => $this->height,
            'fps' => $this->fps,
            'updated_at' => $this->updated_at->toIso8601ZuluString(),
            'sections' => $this->sections->map(fn (Section $s): array => (new SectionResource($s))->toArray())->all(),
        ];
    }
}
