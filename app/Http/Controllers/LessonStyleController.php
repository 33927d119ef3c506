<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Lessons\ChangeLessonStyle;
use App\Http\Requests\LessonStyleRequest;
use App\Http\Resources\LogoResource;
use App\Models\Lesson;
use App\Models\Logo;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\JsonResponse;

/** What of the house style a lesson has otherwise. */
final class LessonStyleController
{
    public function show(Lesson $lesson): JsonResponse
    {
        $style = LessonStyle::of($lesson);
        $logos =
            $lesson->course === null
                ? []
                : $lesson->course->logos()->get()->map(fn (Logo $l): array => (new LogoResource($l))->toArray())->all();

        return new JsonResponse([
            'style' => $style->toArray(),
            'course' => LessonStyle::ofCourse($lesson)->toArray(),
            'own' => array_keys($lesson->style),
            'warnings' => $style->warnings(),
            'logos' => $logos,
        ]);
    }

    public function update(LessonStyleRequest $request, Lesson $lesson, ChangeLessonStyle $change): JsonResponse
    {
        $change($lesson, $request->validated('style'));

        return $this->show($lesson->refresh());
    }
}
