<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Section;
use App\Refusal;
use OpenReel\Core\Assembly\PictureChange;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Logo;
use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;

/** What a section shows with a given camera, line by line, by the same rules as the assembly. */
final class SectionPicture
{
    /** @return list<array{from_line: int, slide: SlideSource|null, picture: PicturePlan}> each seen from its line on; the first from line 1 */
    public static function of(Section $section, ?Shape $camera): array
    {
        $lesson = $section->lesson;
        $style = LessonStyle::of($lesson);
        $script = Script::read($lesson->script);
        $index = array_search($section->id, $lesson->sections()->pluck('id')->all(), true);
        $text = $index === false ? null : $script->sections[$index] ?? null;
        if ($text === null) {
            throw Refusal::notYet('This section has been removed.');
        }
        $numbers = array_map(strval(...), range(1, max(1, count($text->lines))));
        [$opening, $changes] = (new PictureCues($lesson, $script, $style))->of($text, $numbers);
        $logo = LessonStyle::logo($style, LessonStyle::logoRow($style));
        $frame = FrameSize::of($lesson->width, $lesson->height);

        return [
            self::plan(1, $opening, $frame, $camera, $logo, $style),
            ...array_map(fn (PictureChange $c): array => self::plan((int) $c->line, $c->then, $frame, $camera, $logo, $style), $changes),
        ];
    }

    /** @return array{from_line: int, slide: SlideSource|null, picture: PicturePlan} */
    private static function plan(int $line, PictureChoice $choice, FrameSize $frame, ?Shape $camera, ?Logo $logo, HouseStyle $style): array
    {
        return [
            'from_line' => $line,
            'slide' => $choice->slide,
            'picture' => PicturePlan::for($frame, $choice->layout, $choice->inset, $choice->slide?->shape, $camera, $logo, $style->text('ground')),
        ];
    }
}
