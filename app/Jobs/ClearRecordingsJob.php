<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Takes\ClearRecordings;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Removes recordings that are not needed any more, when there is nothing better to do. */
final class ClearRecordingsJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    private const AT_ONCE = 5;

    /** @param  list<string>|null  $used  ids of the takes that a finished film shows; null for those that have become old */
    public function __construct(public readonly ?array $used = null)
    {
        $this->onQueue(QueueName::Background);
    }

    public function lockName(): string
    {
        return 'clear-recordings';
    }

    public function handle(ClearRecordings $clear): void
    {
        $this->alone(fn () => $this->used === null ? $clear->old(self::AT_ONCE) : $clear->used($this->used));
    }
}
