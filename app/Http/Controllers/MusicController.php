<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Music\ImportMusic;
use App\Http\MediaResponse;
use App\Http\Requests\MusicFileRequest;
use App\Media\ShippedMusic;
use App\Models\Lesson;
use App\Models\Music;
use App\Queries\Lessons\LessonMusic;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\Response;

/** Music that lies under lessons. */
final class MusicController
{
    public function index(Lesson $lesson, LessonMusic $music): JsonResponse
    {
        return new JsonResponse($music->offered($lesson));
    }

    public function store(MusicFileRequest $request, Lesson $lesson, ImportMusic $bringIn, LessonMusic $music): JsonResponse
    {
        $file = $request->upload();
        $bringIn($lesson, $file->getPathname(), $file->getClientOriginalName());

        return new JsonResponse($music->offered($lesson), 201);
    }

    /** Cues that call it are pointed out until they are changed. */
    public function destroy(Music $music): Response
    {
        $music->delete();

        return response()->noContent();
    }

    public function restore(Music $music): Response
    {
        $music->restore();

        return response()->noContent();
    }

    public function file(string $hash, LessonMusic $music): Response
    {
        $shipped = ShippedMusic::path($hash);

        return $shipped === null
            ? MediaResponse::of($music->find($hash), 'audio/flac')
            : MediaResponse::ofFile($shipped, 'audio/ogg');
    }
}
