<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Slide;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A proposal where a slide comes up.
 *
 * @property array{slide: Slide, at: int, section: int, line: string, because: string} $resource
 */
final class TieResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $slide = $this->resource['slide'];

        return ['slide' => $slide->id, 'name' => $slide->name, 'url' => SlideResource::url($slide->id, $slide->hash)] +
            $this->resource;
    }
}
