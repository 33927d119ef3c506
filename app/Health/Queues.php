<?php

declare(strict_types=1);

namespace App\Health;

use App\Work\QueueName;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** How much waits in a queue. */
final class Queues
{
    public function waiting(QueueName $queue): int
    {
        return $this->isInDatabase() ? $this->ready($queue)->count() : Queue::connection()->pendingSize($queue->value);
    }

    /** @return int|null seconds for which the oldest job has waited; null when none waits, or the queue does not tell */
    public function oldest(QueueName $queue): ?int
    {
        $since = $this->isInDatabase()
            ? $this->ready($queue)->min('available_at')
            : Queue::connection()->creationTimeOfOldestPendingJob($queue->value);

        return $since === null ? null : max(0, now()->getTimestamp() - (int) $since);
    }

    private function isInDatabase(): bool
    {
        return config('queue.default') === 'database';
    }

    private function ready(QueueName $queue): \Illuminate\Database\Query\Builder
    {
        return DB::table('jobs')
            ->where('queue', $queue->value)
            ->whereNull('reserved_at')
            ->where('available_at', '<=', now()->getTimestamp());
    }
}
