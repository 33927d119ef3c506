<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Script\PlaceCue;
use App\Http\Requests\StoreCueRequest;
use App\Http\Requests\UpdateCueRequest;
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

    public function store(StoreCueRequest $request, Section $section, PlaceCue $place): ScriptResource
    {
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

    public function update(UpdateCueRequest $request, Section $section, int $number, PlaceCue $place): ScriptResource
    {
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
