<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AppendChunk;
use App\Actions\Archives\PackLessons;
use App\Http\MediaResponse;
use App\Http\Requests\ChunkRequest;
use App\Http\Requests\FinishArchiveRequest;
use App\Http\Requests\StoreArchiveRequest;
use App\Http\Resources\ArchiveImportResource;
use App\Jobs\UnpackArchiveJob;
use App\Media\MediaStore;
use App\Models\ArchiveImport;
use App\Models\Course;
use App\Models\Lesson;
use App\Models\WorkState;
use App\OperationRejected;
use App\People\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;
use OpenReel\Core\Kernel\FileName;
use OpenReel\Core\Kernel\PlainText;
use Symfony\Component\HttpFoundation\Response;

/** Lessons and courses taken out as archives, and archives on their way in. */
final class ArchiveController
{
    private const LATEST = 5;

    /** Of one person; one that nobody goes on sending counts for a day. */
    private const MOST_OPEN = 3;

    public function lesson(Lesson $lesson, PackLessons $pack): Response
    {
        return MediaResponse::once($pack->lesson($lesson), 'application/zip', FileName::of("{$lesson->title} (archive)", 'zip'));
    }

    public function course(Course $course, PackLessons $pack): Response
    {
        return MediaResponse::once($pack->course($course), 'application/zip', FileName::of("{$course->name} (archive)", 'zip'));
    }

    public function index(): JsonResponse
    {
        /** @var Collection<int, ArchiveImport> $arrivals */
        $arrivals = ArchiveImport::query()
            ->where('user_id', CurrentUser::asks()?->id)
            ->latest()
            ->orderByDesc('id')
            ->limit(self::LATEST)
            ->get();

        return new JsonResponse($arrivals->map(fn (ArchiveImport $a): array => (new ArchiveImportResource($a))->toArray())->all());
    }

    public function store(StoreArchiveRequest $request): JsonResponse
    {
        if (self::onTheirWay()->where('updated_at', '>', now()->subDay())->count() >= self::MOST_OPEN) {
            throw OperationRejected::conflict(
                'Three archives are on their way already. Wait until one of them is here, or cancel it, then send the next.',
            );
        }
        $id = strtolower((string) Str::ulid());
        $arrival = ArchiveImport::query()->create([
            'id' => $id,
            'user_id' => CurrentUser::asks()?->id,
            'name' => mb_substr(PlainText::row($request->string('name')->value()), 0, 200),
            'path' => "arrivals/{$id}.zip",
            'state' => WorkState::Waiting,
        ]);

        return (new ArchiveImportResource($arrival))->response()->setStatusCode(201);
    }

    public function show(ArchiveImport $arrival): ArchiveImportResource
    {
        return new ArchiveImportResource($arrival);
    }

    /** The chunk's bytes are the body; the header X-Chunk-SHA256 tells what they should be. */
    public function append(ChunkRequest $request, ArchiveImport $arrival, int $number, AppendChunk $append): JsonResponse
    {
        $bytes = $request->bytes('an archive');

        if (self::onTheirWay()->sum('bytes') + strlen($bytes) > config('reel.limits.archive_bytes')) {
            throw OperationRejected::badInput('Archives that are on their way have at most 64 GB together. Take the course out in parts.');
        }

        return new JsonResponse(['next' => $append($arrival, $number, $bytes, $request->sha256())]);
    }

    public function finish(FinishArchiveRequest $request, ArchiveImport $arrival): JsonResponse
    {
        if (! $arrival->whole && $request->integer('bytes') !== $arrival->bytes) {
            throw OperationRejected::conflict('Part of the archive has not arrived yet. It will be sent again.', [
                'next' => $arrival->next_chunk,
            ]);
        }
        // Asked twice at once, it is unpacked once.
        if (ArchiveImport::query()->whereKey($arrival->id)->where('whole', false)->update(['whole' => true]) === 1) {
            UnpackArchiveJob::dispatch($arrival->id);
        }

        return (new ArchiveImportResource($arrival->refresh()))->response()->setStatusCode(202);
    }

    /** Nothing of it stays. */
    public function cancel(ArchiveImport $arrival, MediaStore $media): ArchiveImportResource
    {
        $isRunning = $arrival->state === WorkState::Running;
        if ($arrival->become(WorkState::Cancelled, WorkState::OPEN) && ! $isRunning) {
            $media->delete($arrival->path);
        }

        return new ArchiveImportResource($arrival);
    }

    /** @return Builder<ArchiveImport> of whoever asks */
    private static function onTheirWay(): Builder
    {
        $own = ArchiveImport::query()->where('user_id', CurrentUser::asks()?->id);
        $own->whereIn('state', WorkState::OPEN);

        return $own;
    }
}
