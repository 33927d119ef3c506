<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Section;
use App\Refusal;
use OpenReel\Core\Assembly\PictureChange;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\TrackKind;

/** What a section shows with a given camera, line by line, by the same rules as the assembly. */
final class SectionPicture
{
    /** @return list<array{from_line: int, picture: Picture}> each seen from its line on; the first from line 1 */
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
        $deck = LessonDeck::of(array_values($lesson->slides()->get()->all()));
        [$opening, $changes] = (new PictureCues($script, $deck, $style))->of($text, $numbers);
        $logo = LessonStyle::logo($style, LessonStyle::logoRow($style));
        $live = $camera === null ? null : TrackAt::live(TrackKind::Camera, $camera);
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $seen = fn (int $line, PictureChoice $choice): array => [
            'from_line' => $line,
            'picture' => Picture::of(
                $frame,
                $choice->layout,
                $choice->inset,
                $choice->slide,
                $live,
                $logo,
                $style->colours->ground->hex,
            ),
        ];

        return [$seen(1, $opening), ...array_map(fn (PictureChange $c): array => $seen((int) $c->line, $c->then), $changes)];
    }
}
