<?php

declare(strict_types=1);

namespace App\Queries\Lessons;

use App\Models\Lesson;
use App\Models\Logo as LogoRow;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Style\HouseStyle;

/** The style a lesson is made in: its course's, with what the lesson has otherwise. */
final class LessonStyle
{
    public static function of(Lesson $lesson): HouseStyle
    {
        return self::ofCourse($lesson)->withStored($lesson->style);
    }

    /** What the lesson would look like if it had nothing of its own. */
    public static function ofCourse(Lesson $lesson): HouseStyle
    {
        // A deleted course leaves its lessons looking as they did.
        $course = $lesson->course ?? ($lesson->course_id === null ? null : $lesson->course()->withTrashed()->first());

        return HouseStyle::stored($course->style ?? []);
    }

    public static function logoRow(HouseStyle $style): ?LogoRow
    {
        return $style->logo->id === null ? null : LogoRow::query()->find($style->logo->id);
    }

    public static function logo(HouseStyle $style, ?LogoRow $row): ?LogoPlacement
    {
        return $row === null ? null : new LogoPlacement(
            $row->hash, Shape::of($row->width, $row->height), $style->logo->corner, $style->logo->size,
        );
    }
}
