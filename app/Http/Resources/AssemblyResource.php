<?php

namespace App\Http\Resources;

use App\Actions\AssembledLesson;
use App\Media\PieceRenderer;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Listening\GainSearch;
use OpenReel\Core\Render\SegmentSpec;

/**
 * The assembly as the browser plays it: the same frames and rectangles that the export is made from.
 *
 * @property AssembledLesson $resource
 */
final class AssemblyResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $assembly = $this->resource->assembly;
        $pieces = app(PieceRenderer::class);

        return [
            'fps' => $assembly->rate->fps,
            'frames' => $assembly->frames(),
            'length_ms' => $assembly->length()->milliseconds(),
            'segments' => array_map($this->segment(...), $assembly->segments),
            'missing' => array_map(fn (SectionSource $s): string => $s->id, $assembly->missing),
            'rendered' => count(array_filter($this->resource->pictures(), fn (SegmentSpec $s): bool => $pieces->hasSegment($s))),
        ];
    }

    /** @return array<string, mixed> */
    private function segment(Segment $segment): array
    {
        $gain = GainSearch::start((float) config('reel.loudness.target_lufs'), $segment->take->loudness)->gain;

        return [
            'section_id' => $segment->sectionId,
            'position' => $segment->position,
            'title' => $segment->title,
            'start_frame' => $segment->startFrame,
            'frames' => $segment->frames,
            'take_id' => $segment->take->id,
            'take_number' => $segment->take->number,
            'in_ticks' => $segment->take->used->from->count,
            'media_url' => "/api/takes/{$segment->take->id}/media?v=".substr($segment->take->mediaHash ?? $segment->take->soundHash ?? '', 0, 8),
            'slide_url' => $segment->slide === null ? null : "/api/slides/{$segment->slide->id}/picture",
            'gain_db' => $gain,
            'picture' => $segment->picture->toArray(),
        ];
    }
}
