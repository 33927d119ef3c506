<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Picture\Picture;

/**
 * What a section shows from one of its lines on.
 *
 * @property array{from_line: int, picture: Picture} $resource
 */
final class LinePictureResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return ['from_line' => $this->resource['from_line']] + PictureResource::of($this->resource['picture']);
    }
}
