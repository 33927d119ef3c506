<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use OpenReel\Core\Picture\Crop;

/** Says which part of camera or screen is shown of a take, its section or lesson: recordings keep everything. */
final class FrameTake
{
    /**
     * @param  'framing'|'area'  $part  of the camera, of the screen
     * @param  Crop|null  $crop  null shows all
     * @param  string  $for  `take`, `section` or `lesson`
     * @return array<string, mixed> what each of these takes had before, by id
     */
    public function __invoke(Take $take, string $part, ?Crop $crop, string $for): array
    {
        return IntendedTakes::change($take, $part, $crop?->toArray(), $for);
    }
}
