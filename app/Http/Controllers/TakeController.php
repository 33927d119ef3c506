<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Takes\AdjustTake;
use App\Actions\Takes\AppendEvents;
use App\Actions\Takes\ChangeTake;
use App\Actions\Takes\CopyTake;
use App\Actions\Takes\FinishTake;
use App\Actions\Takes\MakePoster;
use App\Actions\Takes\ReingestTake;
use App\Actions\Takes\StartTake;
use App\Actions\Takes\UndoVerdict;
use App\Http\MediaResponse;
use App\Http\Requests\CleaningRequest;
use App\Http\Requests\CopyTakeRequest;
use App\Http\Requests\EventRowsRequest;
use App\Http\Requests\FinishTakeRequest;
use App\Http\Requests\StoreTakeRequest;
use App\Http\Requests\TakeRequest;
use App\Http\Requests\UndoVerdictRequest;
use App\Http\Resources\AlignmentResource;
use App\Http\Resources\TakeResource;
use App\Media\VoiceCleaner;
use App\MediaJobs\CleanVoiceJob;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use App\Models\Track;
use App\OperationRejected;
use App\People\Memberships;
use App\Queries\Takes\CleanedVoice;
use App\Work\LastFault;
use Illuminate\Http\JsonResponse;
use OpenReel\Core\People\Right;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;
use Symfony\Component\HttpFoundation\Response;

final class TakeController
{
    public function store(StoreTakeRequest $request, Section $section, StartTake $start): JsonResponse
    {
        return (new TakeResource(
            $start(
                $section,
                array_column($request->input('tracks'), 'mime', 'kind'),
                Crop::parse($request->input('framing')),
                Crop::parse($request->input('area')),
                $request->input('lines') === null ? null : array_values($request->input('lines')),
                $request->boolean('whole'),
            )->load('tracks'),
        ))
            ->response()
            ->setStatusCode(201);
    }

    /** A take of another section, or of another lesson, becomes one of this section as well. */
    public function copy(CopyTakeRequest $request, Section $section, CopyTake $copy): JsonResponse
    {
        $take = Take::query()->whereKey($request->string('take')->value())->first();
        $isSeen = $take !== null && Memberships::may(Right::See, $take->lesson());
        if ($take === null || ! $isSeen || $take->section->trashed() || $take->lesson()->trashed()) {
            throw OperationRejected::badInput('This take is not there any more.');
        }

        return (new TakeResource($copy($section, $take)))->response()->setStatusCode(201);
    }

    public function show(Take $take): TakeResource
    {
        return new TakeResource($take);
    }

    /** Gives up a take before anything was recorded, so that a count-down broken off leaves no trace. */
    public function destroy(Take $take): Response
    {
        if ($take->state !== TakeState::Recording || $take->tracks->sum('bytes') > 0) {
            throw OperationRejected::conflict('Something is recorded in this take. Discard it instead; that can be undone.');
        }
        $take->delete();

        return response()->noContent();
    }

    /** Beside the take: what a verdict wrote into the script, and what brings everything back to where it was. */
    public function update(TakeRequest $request, Take $take, ChangeTake $change): JsonResponse
    {
        $changed = $change($take, $request->asked(), $request->string('for', 'take')->value());

        return new JsonResponse((new TakeResource($take->refresh()))->toArray() + $changed->toArray());
    }

    /** What makes its camera's picture go with its neighbours in the film. */
    public function match(Take $take, AdjustTake $adjust): JsonResponse
    {
        return new JsonResponse(['adjustment' => $adjust->matching($take)?->toArray()]);
    }

    /** Makes a lesson's takes what they were before a verdict, as the answer to it told. */
    public function undo(UndoVerdictRequest $request, Lesson $lesson, UndoVerdict $undo): Response
    {
        $undo($lesson, array_values($request->input('takes')), $request->input('script'));

        return response()->noContent();
    }

    /** A track of a take by itself: the screen, the computer's sound. */
    public function track(Take $take, TrackKind $kind): Response
    {
        $track = $take->track($kind);

        return MediaResponse::of($track?->file_path, $track->file_mime ?? 'application/octet-stream');
    }

    /** More rows of the event log, as JSON lines; the number tells how many come before them. */
    public function events(EventRowsRequest $request, Take $take, int $number, AppendEvents $append): JsonResponse
    {
        return new JsonResponse(['next' => $append($take, $number, $request->rows())]);
    }

    public function finish(FinishTakeRequest $request, Take $take, FinishTake $finish): TakeResource
    {
        return new TakeResource($finish($take, $request->sent()));
    }

    /** Listens to the take anew, from what came from the recorder. */
    public function readAgain(Take $take, ReingestTake $again): TakeResource
    {
        return new TakeResource($again($take));
    }

    /** Before it is ingested, a take is played as it came from the recorder. */
    public function media(Take $take): Response
    {
        $played = $take->played();
        if ($played !== null) {
            return MediaResponse::of($played->file_path, (string) $played->file_mime);
        }
        $track = $take->tracks->sortBy(fn (Track $t): string => $t->kind->value)->first();

        return MediaResponse::of($track?->path, $track->mime ?? 'application/octet-stream', unchanging: false);
    }

    public function poster(Take $take, MakePoster $make): Response
    {
        return MediaResponse::of($make($take), 'image/jpeg');
    }

    public function heard(Take $take): AlignmentResource
    {
        return new AlignmentResource($take);
    }

    /** What its sound is like when it is cleaned in some way: where that can be heard, once it is made. */
    public function cleaned(CleaningRequest $request, Take $take, VoiceCleaner $cleaner): JsonResponse
    {
        $voice = CleanedVoice::of($take, $request->cleaning());
        $made = $voice === null ? null : $cleaner->find($voice);
        $problem = null;
        if ($voice !== null && $made === null) {
            $job = new CleanVoiceJob($voice->toArray(), (string) $take->track(TrackKind::Microphone)?->file_path);
            $problem = LastFault::of($job->lockName());
            $problem ?? dispatch($job);
        }

        return new JsonResponse([
            'ready' => $voice === null || $made !== null,
            'problem' => $problem,
            'url' => $made === null || $voice === null ? null : CleanedVoice::url($take->id, $voice),
        ]);
    }

    /** The cleaned sound itself. */
    public function cleanedSound(CleaningRequest $request, Take $take, VoiceCleaner $cleaner): Response
    {
        $voice = CleanedVoice::of($take, $request->cleaning());

        return MediaResponse::of($voice === null ? null : $cleaner->find($voice), 'audio/flac');
    }

    public function wave(Take $take): Response
    {
        return MediaResponse::of($take->state === TakeState::Ready ? $take->folder().'/wave.json' : null, 'application/json');
    }
}
