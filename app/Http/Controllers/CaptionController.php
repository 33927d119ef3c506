<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Captions\ChangeCaptions;
use App\Http\Resources\CaptionsResource;
use App\Models\Lesson;
use App\Models\Section;
use App\Queries\Film\AssembleLesson;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

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

    public function update(Request $request, Section $section, int $number): JsonResponse
    {
        $request->validate([
            'was' => ['required', 'string', 'max:4000'],
            'text' => ['nullable', 'string', 'max:400'],
            'checked' => ['sometimes', 'boolean'],
        ], ['*' => 'Say which caption, and how it should read.']);
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

    public function move(Request $request, Section $section, int $number): JsonResponse
    {
        $request->validate([
            'was' => ['required', 'string', 'max:4000'],
            'by' => ['required', 'integer', 'between:-40,40'],
        ], ['*' => 'Say which caption, and by how many words.']);

        return new JsonResponse(
            $this->change->move($section, $number, $request->string('was')->value(), $request->integer('by')),
        );
    }

    public function check(Request $request, Section $section): JsonResponse
    {
        $request->validate(['was' => ['present', 'array', 'max:5000'], 'was.*' => ['string', 'max:4000']]);
        /** @var list<string> $was */
        $was = $request->array('was');

        return new JsonResponse($this->change->check($section, $was));
    }

    public function undo(Request $request, Lesson $lesson): JsonResponse
    {
        $request->validate([
            'added' => ['present', 'array', 'max:5000'],
            'added.*' => ['string', 'max:26'],
            'removed' => ['present', 'array', 'max:5000'],
            'removed.*.id' => ['required', 'ulid'],
            'removed.*.line' => ['required', 'string', 'max:26'],
            'removed.*.word' => ['required', 'integer', 'min:0'],
            'removed.*.was' => ['required', 'string', 'max:4000'],
            'removed.*.rows' => ['present', 'array', 'max:10'],
            'removed.*.rows.*' => ['string', 'max:400'],
            'removed.*.checked' => ['required', 'boolean'],
        ], ['*' => 'What should be taken back cannot be read.']);
        /** @var list<string> $added */
        $added = $request->array('added');
        /** @var list<array{id: string, line: string, word: int, was: string, rows: list<string>, checked: bool}> $removed */
        $removed = $request->array('removed');
        $this->change->undo($lesson, $added, $removed);

        return $this->index($lesson);
    }
}
