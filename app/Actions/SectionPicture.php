<?php

namespace App\Actions;

use App\Models\Section;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Picture\Shape;

/** What a section shows with a given camera, by the same rules as the assembly. */
final class SectionPicture
{
    public static function of(Section $section, ?Shape $camera): PicturePlan
    {
        return PicturePlan::for(
            FrameSize::of($section->lesson->width, $section->lesson->height),
            $section->layout,
            new Inset($section->inset_corner, $section->inset_size),
            $section->slide === null ? null : Shape::of($section->slide->width, $section->slide->height),
            $camera,
        );
    }
}
