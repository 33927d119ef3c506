<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Takes\IngestTake;
use App\Media\InfrastructureFailure;
use App\Media\Shared\SharedDiskAway;
use App\Models\Take;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Take\TakeState;

/** Listens to a finished take. Runs on its own queue, so that it never waits behind a film being rendered. */
final class IngestTakeJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    /** After a fault of the server; the recording is there, so it can take as long as it takes. */
    private const AGAIN_SECONDS = 20;

    public function __construct(public readonly string $takeId)
    {
        $this->onQueue(QueueName::Ingest);
    }

    public function lockName(): string
    {
        return "ingest/{$this->takeId}";
    }

    public function handle(IngestTake $ingest): void
    {
        $this->alone(function () use ($ingest): void {
            $take = Take::query()->find($this->takeId);
            if ($take === null) {
                return;
            }
            try {
                $ingest($take);
            } catch (SharedDiskAway $away) {
                throw $away;
            } catch (InfrastructureFailure $fault) {
                Log::error("Take {$take->id} waits: {$fault->getMessage()}", $fault->context());
                $this->waiting()->update(['problem' => $fault->getMessage()]);
                $this->release(self::AGAIN_SECONDS);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        $this->waiting()->update([
            'state' => TakeState::Unusable,
            'problem' => 'The server could not work on this take. What was recorded is kept and can be read again; the '
                .'details are in the server\'s log.',
        ]);
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Take> */
    private function waiting(): \Illuminate\Database\Eloquent\Builder
    {
        return Take::query()->whereKey($this->takeId)->where('state', TakeState::Ingesting);
    }
}
