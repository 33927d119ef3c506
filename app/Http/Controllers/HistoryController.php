<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Course;
use App\Models\Lesson;
use App\Queries\People\History;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenReel\Core\Kernel\FileName;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who did what to a lesson or course. */
final class HistoryController
{
    public function __construct(private readonly History $history)
    {
    }

    public function ofLesson(Request $request, Lesson $lesson): JsonResponse
    {
        return $this->page($request, $lesson);
    }

    public function ofCourse(Request $request, Course $course): JsonResponse
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

    private function page(Request $request, Lesson|Course $place): JsonResponse
    {
        $request->validate(['before' => ['sometimes', 'string', 'max:26']], ['*' => 'Say before which entry.']);

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
