<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\RecordingArrived;
use App\Media\MediaStore;
use App\Models\Take;
use App\Models\Track;
use App\OperationRejected;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\TakeState;

/** Has a take listened to anew from what came from the recorder. */
final class ReingestTake
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @throws OperationRejected when it is still being recorded, or its recording is not there any more */
    public function __invoke(Take $take): Take
    {
        if ($take->state === TakeState::Recording) {
            throw OperationRejected::conflict('This take is still being recorded, or on its way. Finish it first.');
        }
        if (! $take->tracks->contains(fn (Track $t): bool => $this->media->bytes($t->path) > 0)) {
            throw OperationRejected::conflict(
                'What came from the recorder is not there any more, so this take cannot be read again. The film and sound '
                    .'made from it stay.',
            );
        }
        // What failed is tried again.
        $take->results()->where('result->status', AlignmentStatus::Failed->value)->delete();
        $take->update(['state' => TakeState::Ingesting, 'problem' => null]);
        $take->section->touch();
        RecordingArrived::dispatch($take->id);

        return $take->refresh();
    }
}
