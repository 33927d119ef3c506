<?php

declare(strict_types=1);

namespace App\Health;

use App\Work\Pulse;
use App\Work\QueueName;
use Illuminate\Support\Facades\DB;

/** Whether somebody takes the work that waits. */
final class WorkersCheck implements Check
{
    /** Seconds for which jobs of a queue may wait before somebody should look. The others wait as long as they must. */
    private const PATIENCE = [QueueName::Ingest->value => 60, QueueName::Main->value => 3600];

    public function __construct(private readonly Pulse $pulse, private readonly Queues $queues)
    {
    }

    public function look(): array
    {
        if (config('queue.default') === 'sync') {
            return [Finding::bad('workers', 'Long work is done inside requests.', 'Set QUEUE_CONNECTION to database or redis.')];
        }
        $findings = array_map($this->ofQueue(...), QueueName::needed());
        $failed = DB::table('failed_jobs')->count();
        if ($failed > 0) {
            $findings[] = Finding::doubtful(
                'failed jobs', "{$failed} jobs failed for a reason that nobody foresaw.",
                'See php artisan queue:failed and the log; queue:retry does them again, queue:flush forgets them.',
            );
        }

        return $findings;
    }

    public function ofQueue(QueueName $queue): Finding
    {
        $waiting = $this->queues->waiting($queue);
        $seconds = $this->queues->oldest($queue);
        $jobs = match ($waiting) {
            0 => 'nothing waits', 1 => 'one job waits', default => "{$waiting} jobs wait",
        };
        if (! $this->pulse->isThere($queue)) {
            $start = "php artisan queue:work --queue={$queue->value} --timeout=0";

            return Finding::bad(
                "queue {$queue->value}", 'No worker takes its jobs: '.$queue->purpose()." ({$jobs}).", "Start {$start}, or bin/serve.",
            );
        }
        if ($seconds !== null && $seconds > (self::PATIENCE[$queue->value] ?? PHP_INT_MAX)) {
            return Finding::doubtful(
                "queue {$queue->value}", "A job has waited for {$seconds} s ({$jobs}).",
                'Start more workers for it, or see in the log what they are busy with.',
            );
        }

        return Finding::good("queue {$queue->value}", "A worker is there, {$jobs}.");
    }
}
