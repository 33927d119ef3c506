<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Film\StateOfFilm;
use App\Actions\Lessons\ListLessons;
use App\Actions\Lessons\MakeLesson;
use App\Actions\People\WriteHistory;
use App\Actions\Script\EditScript;
use App\Actions\Takes\ChooseTake;
use App\Http\MediaResponse;
use App\Http\Requests\ChooseTakeRequest;
use App\Http\Requests\ExportRequest;
use App\Http\Requests\LessonRequest;
use App\Http\Requests\OrderSectionsRequest;
use App\Http\Resources\AssemblyResource;
use App\Http\Resources\GlanceResource;
use App\Http\Resources\LessonResource;
use App\Jobs\DrawCardsJob;
use App\Jobs\PrepareLessonJob;
use App\Jobs\ReadDraftJob;
use App\Media\DraftVoice;
use App\Models\Course;
use App\Models\Lesson;
use App\Models\Take;
use App\People\Memberships;
use App\Queries\Film\AssembleLesson;
use App\Work\LastFault;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Right;

final class LessonController
{
    public function index(ListLessons $list): JsonResponse
    {
        return new JsonResponse($list());
    }

    public function store(LessonRequest $request, MakeLesson $make): JsonResponse
    {
        $frame = array_map(intval(...), $request->only(['width', 'height', 'fps']));
        $lesson = $make(
            trim($request->string('title')->value()),
            $frame,
            Course::query()->firstWhere('id', $request->input('course_id')),
            Lesson::query()->firstWhere('id', $request->input('like')),
        );

        return (new LessonResource($lesson))->response()->setStatusCode(201);
    }

    public function show(Lesson $lesson): LessonResource
    {
        return new LessonResource($lesson);
    }

    public function glance(Lesson $lesson, StateOfFilm $film): GlanceResource
    {
        return new GlanceResource($lesson, $film($lesson));
    }

    public function update(LessonRequest $request, Lesson $lesson, EditScript $edit): LessonResource
    {
        $edit->title($lesson, trim($request->string('title')->value()));
        if ($request->has('course_id') && $request->input('course_id') !== $lesson->course_id) {
            // In another course other people see it.
            abort_unless(Memberships::may(Right::Own, $lesson), 403, Right::Own->refusal());
            $lesson->update(['course_id' => $request->input('course_id')]);
            PrepareLessonJob::dispatch($lesson->id);
        }

        return new LessonResource($lesson);
    }

    public function destroy(Lesson $lesson, WriteHistory $write): Response
    {
        $lesson->delete();
        $write(AuditAction::Deleted, $lesson, ['title' => $lesson->title]);

        return response()->noContent();
    }

    public function restore(Lesson $lesson, WriteHistory $write): LessonResource
    {
        $lesson->restore();
        $write(AuditAction::Restored, $lesson, ['title' => $lesson->title]);

        return new LessonResource($lesson);
    }

    /** Which take speaks some of its lines; without a take, that is left to coverage again. */
    public function choose(ChooseTakeRequest $request, Lesson $lesson, ChooseTake $choose): LessonResource
    {
        $take = $request->input('take');
        $choose(
            $lesson,
            array_values($request->input('lines')),
            $take === null ? null : Take::query()->whereKey($take)->firstOrFail(),
        );

        return new LessonResource($lesson->refresh());
    }

    public function assembly(ExportRequest $request, Lesson $lesson, AssembleLesson $assemble): AssemblyResource
    {
        $edition = $request->edition($lesson);
        $plan = $assemble($lesson, as: $edition);
        if ($edition->frame !== null) {
            DrawCardsJob::dispatch($lesson->id, [$edition->frame->width, $edition->frame->height]);
        }
        $problem = null;
        if ($plan->unread > 0) {
            $job = new ReadDraftJob($lesson->id);
            $problem = LastFault::of($job->lockName());
            $problem ?? dispatch($job);
        }

        return new AssemblyResource($plan, $problem);
    }

    /** What the stand-in voice reads in a draft. */
    public function draftVoice(string $key, DraftVoice $voice): \Symfony\Component\HttpFoundation\Response
    {
        return MediaResponse::of($voice->path($key), 'audio/flac');
    }

    public function order(OrderSectionsRequest $request, Lesson $lesson, EditScript $edit): LessonResource
    {
        $edit->order($lesson, array_values($request->input('sections')));

        return new LessonResource($lesson->refresh());
    }
}
