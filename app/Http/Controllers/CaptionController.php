<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Captions\ChangeCaptions;
use App\Http\Requests\CheckCaptionRequest;
use App\Http\Requests\MoveCaptionRequest;
use App\Http\Requests\UndoCaptionRequest;
use App\Http\Requests\UpdateCaptionRequest;
use App\Http\Resources\CaptionsResource;
use App\Models\Lesson;
use App\Models\Section;
use App\Queries\Film\AssembleLesson;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\JsonResponse;

/** Captions, read and set by a person. Each change answers with what takes it back. */
final class CaptionController
{
    public function __construct(private readonly AssembleLesson $assemble, private readonly ChangeCaptions $change)
    {
    }

    public function index(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(CaptionsResource::of(($this->assemble)($lesson), LessonStyle::of($lesson)));
    }

    public function update(UpdateCaptionRequest $request, Section $section, int $number): JsonResponse
    {
        $text = trim($request->string('text')->value());
        $rows = array_values(array_filter(array_map(trim(...), explode("\n", $text)), fn (string $r): bool => $r !== ''));

        return new JsonResponse($this->change->set(
            $section,
            $number,
            $request->string('was')->value(),
            $rows === [] ? null : $rows,
            $request->boolean('checked', true),
        ));
    }

    public function move(MoveCaptionRequest $request, Section $section, int $number): JsonResponse
    {
        return new JsonResponse(
            $this->change->move($section, $number, $request->string('was')->value(), $request->integer('by')),
        );
    }

    public function check(CheckCaptionRequest $request, Section $section): JsonResponse
    {
        /** @var list<string> $was */
        $was = $request->array('was');

        return new JsonResponse($this->change->check($section, $was));
    }

    public function undo(UndoCaptionRequest $request, Lesson $lesson): JsonResponse
    {
        /** @var list<string> $added */
        $added = $request->array('added');
        /** @var list<array{id: string, line: string, word: int, was: string, rows: list<string>, checked: bool}> $removed */
        $removed = $request->array('removed');
        $this->change->undo($lesson, $added, $removed);

        return $this->index($lesson);
    }
}
