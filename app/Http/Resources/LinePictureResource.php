<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Picture\Picture;

/**
 * What a section shows from a place in one of its lines on.
 *
 * @property array{from_line: int, within: float, picture: Picture, surface: string|null, says: string} $resource
 */
final class LinePictureResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        ['picture' => $picture] = $this->resource;
        $rect = $picture->stageRect();

        return [
            'from_line' => $this->resource['from_line'],
            'within' => $this->resource['within'],
            // What is drawn here is drawn on this; null where there is nothing to draw on.
            'surface' => $rect === null ? null : $this->resource['surface'],
            'stage' => $rect?->toArray(),
            'wants_screen' => $this->resource['surface'] === 'screen',
            'says' => $this->resource['says'],
        ] + PictureResource::of($picture);
    }
}
