<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Takes\AppendEvents;
use App\Actions\Takes\FinishTake;
use App\Actions\Takes\GiveVerdict;
use App\Actions\Takes\MakePoster;
use App\Actions\Takes\ReadAgain;
use App\Actions\Takes\StartTake;
use App\Actions\Takes\TrimTake;
use App\Http\MediaResponse;
use App\Http\Requests\TakeRequest;
use App\Http\Resources\TakeResource;
use App\Models\Section;
use App\Models\Take;
use App\Models\TakeState;
use App\Models\Track;
use App\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenReel\Core\Take\TrackKind;
use OpenReel\Core\Take\Verdict;
use Symfony\Component\HttpFoundation\Response;

final class TakeController
{
    public function store(Request $request, Section $section, StartTake $start): JsonResponse
    {
        $request->validate(
            [
                'tracks' => ['required', 'array', 'min:1'],
                'tracks.*.kind' => ['required', 'distinct', Rule::enum(TrackKind::class)],
                'tracks.*.mime' => [
                    'required',
                    'string',
                    'max:100',
                    fn (string $name, mixed $said, \Closure $fail) => Track::mimeOf((string) $said) ?? $fail(''),
                ],
            ],
            ['*' => 'Say which devices are recorded.'],
        );

        return (new TakeResource($start($section, array_column($request->input('tracks'), 'mime', 'kind'))->load('tracks')))
            ->response()
            ->setStatusCode(201);
    }

    public function show(Take $take): TakeResource
    {
        return new TakeResource($take);
    }

    /** Gives up a take before anything was recorded, so that a count-down broken off leaves no trace. */
    public function destroy(Take $take): Response
    {
        if ($take->state !== TakeState::Recording || $take->tracks->sum('bytes') > 0) {
            throw Refusal::conflict('Something is recorded in this take. Discard it instead; that can be undone.');
        }
        $take->delete();

        return response()->noContent();
    }

    public function update(TakeRequest $request, Take $take, GiveVerdict $decide, TrimTake $trim): TakeResource
    {
        // All of it or nothing.
        DB::transaction(function () use ($request, $take, $decide, $trim): void {
            if ($request->has('verdict')) {
                $decide($take, Verdict::from($request->string('verdict')->value()));
            }
            if ($request->hasAny(['used_from_ms', 'used_until_ms'])) {
                $trim($take, $request->ticks('used_from_ms'), $request->ticks('used_until_ms'));
            }
        });

        return new TakeResource($take->refresh());
    }

    /** More rows of the event log, as JSON lines; the number tells how many come before them. */
    public function events(Request $request, Take $take, int $number, AppendEvents $append): JsonResponse
    {
        $rows = array_values(
            array_filter(
                preg_split('/\R/', mb_scrub($request->getContent(), 'UTF-8')) ?: [],
                fn (string $row): bool => trim($row) !== '',
            ),
        );

        return new JsonResponse(['next' => $append($take, $number, $rows)]);
    }

    public function finish(Request $request, Take $take, FinishTake $finish): TakeResource
    {
        $request->validate(
            [
                'tracks' => [Rule::requiredIf(! $request->boolean('as_arrived')), 'array'],
                'tracks.*.id' => ['required', 'string'],
                'tracks.*.chunks' => ['required', 'integer', 'min:0'],
                'tracks.*.bytes' => ['required', 'integer', 'min:0'],
                'as_arrived' => ['sometimes', 'boolean'],
            ],
            ['*' => 'Say how much was recorded.'],
        );
        $sent = null;
        foreach ($request->boolean('as_arrived') ? [] : $request->input('tracks') as $track) {
            $sent[$track['id']] = ['chunks' => (int) $track['chunks'], 'bytes' => (int) $track['bytes']];
        }

        return new TakeResource($finish($take, $sent));
    }

    /** Listens to the take anew, from what came from the recorder. */
    public function readAgain(Take $take, ReadAgain $again): TakeResource
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

    public function wave(Take $take): Response
    {
        return MediaResponse::of($take->state === TakeState::Ready ? $take->folder().'/wave.json' : null, 'application/json');
    }
}
