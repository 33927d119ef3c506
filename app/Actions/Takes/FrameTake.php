<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Take;
use OpenReel\Core\Picture\Crop;

/** Says which part of camera or screen is shown of a take, its section or lesson: recordings keep everything. */
final class FrameTake
{
    /**
     * @param  'framing'|'area'  $part  of the camera, of the screen
     * @param  Crop|null  $crop  null shows all
     * @param  string  $for  `take`, `section` or `lesson`
     */
    public function __invoke(Take $take, string $part, ?Crop $crop, string $for): void
    {
        IntendedTakes::of($take, $for)->update([
            $part => $crop === null ? null : json_encode($crop->toArray(), JSON_THROW_ON_ERROR),
        ]);
        $take->section->touch();
        LessonChanged::dispatch($take->section->lesson_id);
    }
}
