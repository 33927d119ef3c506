<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Lesson;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Coverage\FilmState;
use OpenReel\Core\Coverage\NextStep;

/**
 * How far a lesson is, as the shelf shows it.
 *
 * @mixin Lesson
 */
final class GlanceResource extends JsonResource
{
    public function __construct(Lesson $lesson, private readonly FilmState $film)
    {
        parent::__construct($lesson);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $sections = array_values((new LessonResource($this->resource))->toArray()['sections']);

        return [
            'sections' => array_map(fn (array $s): array => [
                'id' => $s['id'],
                'fill' => $s['progress']['fill'],
                'notched' => $s['progress']['notched'],
                'length_ms' => $s['progress']['length_ms'],
            ], $sections),
            'next' => NextStep::of(array_map(LessonResource::standing(...), $sections), $this->film)->toArray(),
            'film' => $this->film->value,
        ];
    }
}
