<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Lessons\ChangeLessonStyle;
use App\Http\Resources\LogoResource;
use App\Models\Lesson;
use App\Models\Logo;
use App\OperationRejected;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

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

    public function update(Request $request, Lesson $lesson, ChangeLessonStyle $change): JsonResponse
    {
        $style = $request->input('style');
        if (! is_array($style)) {
            throw OperationRejected::badInput('Say what of the style is to be otherwise.');
        }
        $change($lesson, $style);

        return $this->show($lesson->refresh());
    }
}
