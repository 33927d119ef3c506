<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\FilmPlan;
use App\Media\PieceRenderer;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Listening\GainSearch;
use OpenReel\Core\Render\ShotSpec;

/**
 * The assembly as the browser plays it: the same frames and rectangles that the export is made from.
 *
 * @property FilmPlan $resource
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
            'sections' => $this->sections($assembly->segments),
            // Sections of which nothing has to be rendered any more.
            'rendered' => $this->sections($assembly->segments) - $this->sections(array_filter(
                $assembly->segments,
                fn (Segment $s): bool => array_filter(ShotSpec::all($s, $assembly->rate), fn (ShotSpec $spec): bool => ! $pieces->hasSegment($spec)) !== [],
            )),
        ];
    }

    /** @param  array<int, Segment>  $segments */
    private function sections(array $segments): int
    {
        return count(array_unique(array_map(fn (Segment $s): string => $s->sectionId, $segments)));
    }

    /** @return array<string, mixed> */
    private function segment(Segment $segment): array
    {
        $take = $segment->take;
        $media = $take->mediaHash ?? $take->soundHash ?? '';

        return [
            'section_id' => $segment->sectionId,
            'position' => $segment->position,
            'title' => $segment->title,
            'start_frame' => $segment->startFrame,
            'frames' => $segment->frames,
            'take_id' => $take?->id,
            'take_number' => $take?->number,
            'in_ticks' => $take->used->from->count ?? 0,
            'media_url' => $take === null ? null : "/api/takes/{$take->id}/media?v=".substr($media, 0, 8),
            'gain_db' => GainSearch::start($this->resource->target, $take?->loudness)->gain,
            'shots' => array_map(fn (Shot $shot): array => $this->shot($shot, $take === null), $segment->shots),
        ];
    }

    /** @return array<string, mixed> */
    private function shot(Shot $shot, bool $isCard): array
    {
        $slide = $shot->slide;

        return [
            'offset' => $shot->offset,
            'frames' => $shot->frames,
            'slide_url' => $slide === null ? null : ($isCard ? "/api/cards/{$slide->id}" : SlideResource::url($slide->id, $slide->hash)),
            'logo_url' => $shot->picture->logo === null ? null : LogoResource::url($shot->picture->logo->hash),
            'picture' => $shot->picture->toArray(),
        ];
    }
}
