<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Lesson;
use App\Models\Publication;
use App\Models\Section;
use App\Models\Version;
use App\Queries\Lessons\LessonStyle;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Style\FilmName;

/** What the films of a lesson are called. */
final class FilmNames
{
    public static function of(Lesson $lesson, ExportPreset $edition): string
    {
        $frame = $edition->frame;
        $more = [
            ...$edition->section === null ? [] : [(string) Section::query()->whereKey($edition->section)->value('heading')],
            ...$frame === null ? [] : [self::size($frame, FrameSize::of($lesson->width, $lesson->height))],
            ...$edition->burned ? ['with captions'] : [],
        ];
        $pattern = LessonStyle::of($lesson)->filmName.($edition->draft ? ' (draft)' : '');

        return FilmName::of($pattern, self::values($lesson), array_values(array_filter($more)), $edition->format->value);
    }

    /** Rows of the picture where the shape is the lesson's own, as such films are called; else both sides. */
    private static function size(FrameSize $frame, FrameSize $own): string
    {
        return abs($frame->aspect() - $own->aspect()) < 0.01 ? "{$frame->height}p" : "{$frame->width} x {$frame->height}";
    }

    /** @return array<string, string|int> by a key of FilmName::PARTS */
    private static function values(Lesson $lesson): array
    {
        $publication = Publication::of($lesson)?->id;

        return [
            'course' => (string) $lesson->course?->name,
            'number' => $lesson->course_id === null
                ? ''
                : Lesson::query()->where('course_id', $lesson->course_id)->where('id', '<=', $lesson->id)->count(),
            'title' => $lesson->title,
            'date' => now()->toDateString(),
            'version' => 1 + (int) Version::query()->where('publication_id', $publication)->max('number'),
        ];
    }
}
