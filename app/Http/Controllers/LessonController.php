<?php

namespace App\Http\Controllers;

use App\Actions\AssembleLesson;
use App\Actions\ListLessons;
use App\Actions\OrderSections;
use App\Http\Requests\LessonRequest;
use App\Http\Resources\AssemblyResource;
use App\Http\Resources\LessonResource;
use App\Models\Lesson;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class LessonController
{
    public function index(ListLessons $list): JsonResponse
    {
        return new JsonResponse($list());
    }

    public function store(LessonRequest $request): JsonResponse
    {
        $lesson = Lesson::query()->create($request->validated());
        $lesson->sections()->create(['position' => 1]);

        return (new LessonResource($lesson))->response()->setStatusCode(201);
    }

    public function show(Lesson $lesson): LessonResource
    {
        return new LessonResource($lesson);
    }

    public function update(LessonRequest $request, Lesson $lesson): LessonResource
    {
        $lesson->update($request->validated());

        return new LessonResource($lesson);
    }

    public function destroy(Lesson $lesson): Response
    {
        $lesson->delete();

        return response()->noContent();
    }

    public function restore(Lesson $lesson): LessonResource
    {
        $lesson->restore();

        return new LessonResource($lesson);
    }

    public function assembly(Lesson $lesson, AssembleLesson $assemble): AssemblyResource
    {
        return new AssemblyResource($assemble($lesson));
    }

    public function order(Request $request, Lesson $lesson, OrderSections $order): LessonResource
    {
        $request->validate(['sections' => ['required', 'array'], 'sections.*' => ['string']], ['*' => 'Name the sections in their new order.']);
        $order($lesson, array_values($request->input('sections')));

        return new LessonResource($lesson->refresh());
    }
}
