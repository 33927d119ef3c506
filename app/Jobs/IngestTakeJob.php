<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\IngestTake;
use App\Models\Take;
use App\Models\TakeState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Listens to a finished take. Runs on its own queue, so that it never waits behind a film being rendered. */
final class IngestTakeJob implements ShouldQueue
{
    use Guarded, Queueable;

    public function __construct(public readonly string $takeId)
    {
        $this->onQueue('listen');
    }

    public function handle(IngestTake $ingest): void
    {
        $this->alone("ingest/{$this->takeId}", function () use ($ingest): void {
            $take = Take::query()->find($this->takeId);
            if ($take !== null) {
                $ingest($take);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        Take::query()->whereKey($this->takeId)->where('state', TakeState::Ingesting)->update([
            'state' => TakeState::Unusable,
            'problem' => 'The server could not work on this take. What was recorded is kept; ask whoever runs Open Reel to look into its log.',
        ]);
    }
}
