<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Actions\People\WriteHistory;
use App\Events\RecordingArrived;
use App\Models\Take;
use App\Models\Track;
use App\OperationRejected;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\Take\TakeState;

/** Closes a take once everything has arrived, and has it listened to. Safe to repeat. */
final class FinishTake
{
    public function __construct(private readonly WriteHistory $note)
    {
    }

    /**
     * @param  array<string, array{chunks: int, bytes: int}>|null  $sent  by track id, what the recorder sent; null takes
     *                                                                    what has arrived, after the recorder was lost
     *
     * @throws OperationRejected naming the next chunk of each track that is not complete
     */
    public function __invoke(Take $take, ?array $sent): Take
    {
        if ($take->state !== TakeState::Recording) {
            return $take;
        }
        $incomplete = $take->tracks
            ->filter(
                fn (Track $t): bool => $sent !== null &&
                    ($t->next_chunk !== ($sent[$t->id]['chunks'] ?? null) || $t->bytes !== $sent[$t->id]['bytes']),
            )
            ->mapWithKeys(fn (Track $t): array => [$t->id => $t->next_chunk]);
        if ($incomplete->isNotEmpty()) {
            throw OperationRejected::conflict('Part of the recording has not arrived yet. It will be sent again.', [
                'next' => $incomplete->all(),
            ]);
        }

        // Asked twice at once, it is listened to once.
        if (
            Take::query()
                ->whereKey($take->id)
                ->where('state', TakeState::Recording)
                ->update(['state' => TakeState::Ingesting]) === 1
        ) {
            $take->section->touch();
            $this->note->ofTake(AuditAction::Recorded, $take);
            RecordingArrived::dispatch($take->id);
        }

        return $take->refresh();
    }
}
