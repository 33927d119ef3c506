<?php

declare(strict_types=1);

namespace App\Actions\Storage;

use App\Actions\People\WriteHistory;
use App\Media\MediaStore;
use App\Models\Lesson;
use App\Models\Music;
use App\Models\Publication;
use App\Models\WorkState;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;

/** Removes a lesson that is off the shelf for good, with everything that was recorded for it. */
final class DeleteLesson
{
    public function __construct(private readonly MediaStore $media, private readonly WriteHistory $write)
    {
    }

    /** @throws OperationRejected while it is on the shelf, or something is still being made of it */
    public function __invoke(Lesson $lesson): void
    {
        if (! $lesson->trashed()) {
            throw OperationRejected::conflict('This lesson is on the shelf. Delete it there first; that can be undone.');
        }
        if ($lesson->exports()->whereIn('state', WorkState::OPEN)->exists()) {
            throw OperationRejected::conflict('A film of this lesson is still being made. Wait until it is done, or cancel it.');
        }
        DB::transaction(function () use ($lesson): void {
            // Versions hold on to films; both go.
            Publication::query()->where('lesson_id', $lesson->id)->delete();
            Music::withTrashed()->where('lesson_id', $lesson->id)->forceDelete();
            $lesson->forceDelete();
            ($this->write)(AuditAction::DeletedForGood, $lesson, ['title' => $lesson->title]);
        });
        $this->media->deleteFolder("lessons/{$lesson->id}");
    }
}
