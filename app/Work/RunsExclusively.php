<?php

declare(strict_types=1);

namespace App\Work;

use App\Media\Shared\SharedDiskAway;
use App\Media\WorkLock;
use Illuminate\Support\Facades\Log;

/**
 * For jobs that may run longer than the queue's `retry_after`: the queue then hands them out a second time, which is
 * right when the first worker was killed and wrong when it is still at work.
 */
trait RunsExclusively
{
    /** Handed out as often as needed; only real failures count. */
    public int $tries = 0;

    public int $maxExceptions = 3;

    /** Seconds after which it is ended and has failed, unless a job says something else. */
    public int $timeout = 3_600;

    public bool $failOnTimeout = true;

    /** @var list<int> seconds before trying again after a failure */
    public array $backoff = [2, 10];

    private const LOOK_AGAIN_SECONDS = 3;

    /** The lock that a worker holds while it does this; nobody holding it means that nobody does it. */
    abstract public function lockName(): string;

    /** @param  callable(): void  $work */
    private function alone(callable $work): void
    {
        $lock = WorkLock::tryFor($this->lockName());
        if ($lock === null) {
            $this->release(self::LOOK_AGAIN_SECONDS);

            return;
        }
        try {
            $work();
        } catch (SharedDiskAway $away) {
            Log::warning('A job waits for the shared disk', $away->context());
            $this->release(self::LOOK_AGAIN_SECONDS);
        } finally {
            $lock->release();
        }
    }
}
