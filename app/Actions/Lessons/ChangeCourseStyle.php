<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Actions\Film\StateOfFilm;
use App\Actions\Takes\RealignTakes;
use App\Actions\Takes\TightenPauses;
use App\Events\LessonChanged;
use App\Models\Course;
use App\Models\Lesson;
use OpenReel\Core\Coverage\FilmState;
use OpenReel\Core\Style\HouseStyle;

/** Changes a course's house style and tells which films no longer show it. */
final class ChangeCourseStyle
{
    public function __construct(
        private readonly StateOfFilm $filmOf,
        private readonly RealignTakes $hear,
        private readonly TightenPauses $tighten,
    ) {
    }

    /**
     * @param  array<string, mixed>  $change
     * @return list<string> titles of the lessons whose newest film this makes out of date
     */
    public function __invoke(Course $course, array $change): array
    {
        $was = HouseStyle::stored($course->style)->language->value;
        $style = HouseStyle::stored($course->style)->with($change);
        $lessons = $course->lessons()->get();
        $upToDate = $lessons->filter($this->isUpToDate(...));
        $course->update(['style' => $style->chosen()]);
        $lessons->each(fn (Lesson $lesson) => $lesson->unsetRelation('course'));
        foreach ($lessons as $lesson) {
            if (isset($change['language']) && $change['language'] !== $was) {
                ($this->hear)($lesson);
            }
            if (isset($change['longest_pause'])) {
                ($this->tighten)($lesson);
            }
            LessonChanged::dispatch($lesson->id);
        }

        return array_values($upToDate->reject($this->isUpToDate(...))->map(fn (Lesson $l): string => $l->title)->all());
    }

    private function isUpToDate(Lesson $lesson): bool
    {
        return ($this->filmOf)($lesson) === FilmState::UpToDate;
    }
}
