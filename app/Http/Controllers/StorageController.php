<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Storage\ClearTakes;
use App\Actions\Storage\DeleteLesson;
use App\Actions\Storage\DeleteOlderFilms;
use App\Media\RenderCache;
use App\Models\Lesson;
use App\People\CurrentUser;
use App\Queries\Storage\StorageUse;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** What takes up room, and what of it can go. */
final class StorageController
{
    public function index(StorageUse $use): JsonResponse
    {
        return new JsonResponse($use->all());
    }

    public function clear(Lesson $lesson, ClearTakes $clear): JsonResponse
    {
        return new JsonResponse(['takes' => $clear($lesson)]);
    }

    public function bringBack(Lesson $lesson, ClearTakes $clear): JsonResponse
    {
        return new JsonResponse(['takes' => $clear->undo($lesson)]);
    }

    public function deleteOlderFilms(Lesson $lesson, DeleteOlderFilms $delete): JsonResponse
    {
        return new JsonResponse(['films' => $delete($lesson)]);
    }

    public function deleteLesson(Lesson $lesson, DeleteLesson $delete): Response
    {
        $delete($lesson);

        return response()->noContent();
    }

    /** What was used a short while ago stays: a film may be about to be made of it. */
    public function emptyCache(RenderCache $cache): JsonResponse
    {
        abort_if(CurrentUser::signsIn(), 403, 'Others use it too. Whoever runs this server empties it: bin/reel sweep --cache');

        return new JsonResponse(['bytes' => $cache->sweep(0)]);
    }
}
