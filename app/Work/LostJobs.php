<?php

declare(strict_types=1);

namespace App\Work;

use App\Media\WorkLock;
use Illuminate\Support\Facades\Log;

/** Jobs whose worker died are taken up again at once. */
final class LostJobs
{
    /** A worker that has just taken a job may not hold its lock yet. */
    private const TAKEN_SECONDS = 2;

    /** A job that takes its worker down this often, without having gone on meanwhile, will do so again. */
    private const MOST_DEATHS = 3;

    /** Hands them out again at once, or gives them up. */
    public static function release(): void
    {
        $reserved = match (config('queue.default')) {
            'database' => LostDatabaseJobs::reserved(self::TAKEN_SECONDS),
            'redis' => LostRedisJobs::reserved(self::TAKEN_SECONDS),
            default => [],
        };
        foreach ($reserved as $lost) {
            $job = self::jobOf($lost);
            $lock = $job !== null && method_exists($job, 'lockName') ? WorkLock::tryFor($job->lockName()) : null;
            if ($job === null || $lock === null) {
                continue;
            }
            try {
                self::decide($lost, $job);
            } finally {
                $lock->release();
            }
        }
    }

    /** @return object|null null for one that another version of this has put there: the queue itself finds that out */
    private static function jobOf(LostJob $lost): ?object
    {
        try {
            $job = unserialize((string) ($lost->payload['data']['command'] ?? ''));
        } catch (\Throwable) {
            return null;
        }

        return is_object($job) ? $job : null;
    }

    private static function decide(LostJob $lost, object $job): void
    {
        $left = $job instanceof ReportsProgress ? $job->left() : null;
        $hasGoneOn = $left !== null && $left < ($lost->payload['left'] ?? $left);
        $deaths = $hasGoneOn ? 1 : 1 + (int) ($lost->payload['deaths'] ?? 0);
        if ($deaths <= self::MOST_DEATHS) {
            ($lost->again)(['deaths' => $deaths, 'left' => $left] + $lost->payload);

            return;
        }
        if (($lost->giveUp)()) {
            Log::error('A job was given up: its worker died '.$deaths.' times', [
                'job' => $lost->payload['displayName'] ?? $job::class,
            ]);
            $why = WorkerDied::times($deaths);
            // Beside those that failed otherwise: the operator is told of them (see WorkersCheck).
            app('queue.failer')->log(
                (string) config('queue.default'), $job->queue ?? 'default', (string) json_encode($lost->payload), $why,
            );
            if (method_exists($job, 'failed')) {
                $job->failed($why);
            }
        }
    }
}
