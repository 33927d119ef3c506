<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Picture\PicturePlan;

/**
 * What a section shows from one of its lines on.
 *
 * @property array{from_line: int, slide: SlideSource|null, picture: PicturePlan} $resource
 */
final class LinePictureResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        ['from_line' => $line, 'slide' => $slide, 'picture' => $picture] = $this->resource;

        return [
            'from_line' => $line,
            'slide_url' => $slide === null ? null : SlideResource::url($slide->id, $slide->hash),
            'logo_url' => $picture->logo === null ? null : LogoResource::url($picture->logo->hash),
        ] + $picture->toArray();
    }
}
