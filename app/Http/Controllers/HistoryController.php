<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\HistoryRequest;
use App\Models\Course;
use App\Models\Lesson;
use App\Queries\People\History;
use Illuminate\Http\JsonResponse;
use OpenReel\Core\Kernel\FileName;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who did what to a lesson or course. */
final class HistoryController
{
    public function __construct(private readonly History $history)
    {
    }

    public function ofLesson(HistoryRequest $request, Lesson $lesson): JsonResponse
    {
        return $this->page($request, $lesson);
    }

    public function ofCourse(HistoryRequest $request, Course $course): JsonResponse
    {
        return $this->page($request, $course);
    }

    public function fileOfLesson(Lesson $lesson): StreamedResponse
    {
        return $this->file($lesson, $lesson->title);
    }

    public function fileOfCourse(Course $course): StreamedResponse
    {
        return $this->file($course, $course->name);
    }

    private function page(HistoryRequest $request, Lesson|Course $place): JsonResponse
    {
        return new JsonResponse($this->history->page($place, $request->input('before')));
    }

    private function file(Lesson|Course $place, string $called): StreamedResponse
    {
        return response()->streamDownload(function () use ($place): void {
            foreach ($this->history->rows($place) as $row) {
                echo $row;
            }
        }, FileName::of("{$called} (history)", 'jsonl'), ['Content-Type' => 'application/jsonl', 'Cache-Control' => 'no-store']);
    }
}
