<?php

namespace App\Actions;

use App\Models\Section;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Section as ScriptSection;

/** What a section shows with a given camera, by the same rules as the assembly. */
final class SectionPicture
{
    public static function of(Section $section, ?Shape $camera): PicturePlan
    {
        $style = LessonStyle::of($section->lesson);
        [$opening] = (new PictureCues($section->lesson, Script::read($section->lesson->script), $style))->of(ScriptSection::ofText($section->script), []);
        // The slide is the one found when the script was saved: a cue for the next slide depends on the sections before.
        $slide = $section->slide === null ? null : Shape::of($section->slide->width, $section->slide->height);

        return PicturePlan::for(
            FrameSize::of($section->lesson->width, $section->lesson->height),
            $opening->layout,
            $opening->inset,
            $slide,
            $camera,
            LessonStyle::logo($style, LessonStyle::logoRow($style)),
            $style->text('ground'),
        );
    }
}
