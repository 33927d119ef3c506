<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Actions\Takes\RealignTakes;
use App\Actions\Takes\TightenPauses;
use App\Events\LessonChanged;
use App\Models\Lesson;
use App\Queries\Lessons\LessonStyle;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\StyleError;
use OpenReel\Core\Style\StyleSettings;

/** Gives a lesson something otherwise than its course, or goes back to the course's. */
final class ChangeLessonStyle
{
    public function __construct(private readonly RealignTakes $hear, private readonly TightenPauses $tighten)
    {
    }

    /**
     * @param  array<string, mixed>  $change  by name; null goes back to the course's
     *
     * @throws StyleError
     */
    public function __invoke(Lesson $lesson, array $change): Lesson
    {
        // A lesson without the course's logo says so with an empty name.
        $own = array_filter(array_replace($lesson->style, $change), fn (mixed $v): bool => $v !== null);
        foreach (StyleSettings::once() as $name) {
            if (array_key_exists($name, $own)) {
                throw StyleError::chosenOnce();
            }
        }
        HouseStyle::of($own);
        $was = LessonStyle::of($lesson);
        $lesson->update(['style' => $own]);
        $is = LessonStyle::of($lesson);
        if ($is->language !== $was->language) {
            ($this->hear)($lesson);
        }
        if ($is->longestPause !== $was->longestPause) {
            ($this->tighten)($lesson);
        }
        LessonChanged::dispatch($lesson->id);

        return $lesson;
    }
}
