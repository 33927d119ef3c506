<?php

declare(strict_types=1);

namespace App\Health;

use App\Work\Pulse;
use Illuminate\Support\Facades\DB;

/** Whether somebody takes the work that waits. */
final class WorkersCheck implements Check
{
    /** Seconds for which jobs of a queue may wait before somebody should look. The others wait as long as they must. */
    private const PATIENCE = ['listen' => 60, 'default' => 3600];

    /** What presenters miss without a worker on a queue. */
    private const FOR = [
        'listen' => 'takes are not read', 'default' => 'films are not made', 'background' => 'films are not got ready',
        'pieces' => 'nothing is rendered ahead',
        'ahead' => 'new takes are not got ready', 'hear' => 'words of takes are not heard',
    ];

    public function __construct(private readonly Pulse $pulse, private readonly Queues $queues)
    {
    }

    public function look(): array
    {
        if (config('queue.default') === 'sync') {
            return [Finding::bad('workers', 'Long work is done inside requests.', 'Set QUEUE_CONNECTION to database or redis.')];
        }
        $findings = array_map($this->ofQueue(...), Pulse::QUEUES);
        $failed = DB::table('failed_jobs')->count();
        if ($failed > 0) {
            $findings[] = Finding::doubtful(
                'failed jobs', "{$failed} jobs failed for a reason that nobody foresaw.",
                'See php artisan queue:failed and the log; queue:retry does them again, queue:flush forgets them.',
            );
        }

        return $findings;
    }

    public function ofQueue(string $queue): Finding
    {
        $waiting = $this->queues->waiting($queue);
        $seconds = $this->queues->oldest($queue);
        $jobs = match ($waiting) {
            0 => 'nothing waits', 1 => 'one job waits', default => "{$waiting} jobs wait",
        };
        if (! $this->pulse->isThere($queue)) {
            $start = "php artisan queue:work --queue={$queue} --timeout=0";

            return Finding::bad(
                "queue {$queue}", 'No worker takes its jobs: '.self::FOR[$queue]." ({$jobs}).", "Start {$start}, or bin/serve.",
            );
        }
        if ($seconds !== null && $seconds > (self::PATIENCE[$queue] ?? PHP_INT_MAX)) {
            return Finding::doubtful(
                "queue {$queue}", "A job has waited for {$seconds} s ({$jobs}).",
                'Start more workers for it, or see in the log what they are busy with.',
            );
        }

        return Finding::good("queue {$queue}", "A worker is there, {$jobs}.");
    }
}
