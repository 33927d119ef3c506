<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Script\PlaceCue;
use App\Http\Resources\CueResource;
use App\Http\Resources\ScriptResource;
use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Cues by the words they stand at. */
final class CueController
{
    public function index(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(CueResource::all($lesson));
    }

    public function store(Request $request, Section $section, PlaceCue $place): ScriptResource
    {
        $request->validate([
            'revision' => ['required', 'integer'],
            'cue' => ['required', 'string', 'max:400'],
            'from' => ['nullable', 'array'],
            'from.line' => ['required_with:from', 'string'],
            'from.word' => ['required_with:from', 'integer', 'min:0'],
            'until' => ['nullable', 'array'],
            'until.line' => ['required_with:until', 'string'],
            'until.word' => ['required_with:until', 'integer', 'min:0'],
        ], ['*' => 'Say which cue, for which words.']);
        if ($request->input('from.line') === null) {
            return new ScriptResource($place->opening(
                $section->lesson,
                $section,
                $request->string('cue')->value(),
                $request->integer('revision'),
            ));
        }
        $until = $request->input('until.line') === null ? null : self::word($request, 'until');

        return new ScriptResource($place->over(
            $section->lesson,
            $section,
            $request->string('cue')->value(),
            self::word($request, 'from'),
            $until,
            $request->integer('revision'),
        ));
    }

    public function update(Request $request, Section $section, int $number, PlaceCue $place): ScriptResource
    {
        $request->validate([
            'revision' => ['required', 'integer'],
            'was' => ['required', 'string'],
            'cue' => ['present', 'nullable', 'string', 'max:400'],
        ], ['*' => 'Say which cue, and what it says from now on.']);

        return new ScriptResource($place->replace(
            $section->lesson,
            $section,
            $number,
            $request->string('was')->value(),
            $request->string('cue')->value(),
            $request->integer('revision'),
        ));
    }

    /** @return array{line: string, word: int} */
    private static function word(Request $request, string $name): array
    {
        return ['line' => $request->string("{$name}.line")->value(), 'word' => $request->integer("{$name}.word")];
    }
}
