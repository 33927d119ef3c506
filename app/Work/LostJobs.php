<?php

declare(strict_types=1);

namespace App\Work;

use App\Media\WorkLock;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/** Jobs in the database's queue whose worker died: they are reserved, and nobody holds their lock. */
final class LostJobs
{
    /** A worker that has just taken a job may not hold its lock yet. */
    private const TAKEN_SECONDS = 2;

    /** A job that takes its worker down this often will do so again. */
    private const MOST_DEATHS = 3;

    /** Hands them out again at once, or gives them up. */
    public static function release(): void
    {
        if (config('queue.default') !== 'database') {
            return;
        }
        $rows = DB::table('jobs')
            ->whereNotNull('reserved_at')
            ->where('reserved_at', '<=', time() - self::TAKEN_SECONDS)
            ->get();
        foreach ($rows as $row) {
            $payload = (array) json_decode($row->payload, true);
            $job = unserialize((string) ($payload['data']['command'] ?? ''));
            $lock = is_object($job) && method_exists($job, 'lockName') ? WorkLock::tryFor($job->lockName()) : null;
            if ($lock === null) {
                continue;
            }
            try {
                self::decide($row, $job, $payload);
            } finally {
                $lock->release();
            }
        }
    }

    /** @param  array<string, mixed>  $payload */
    private static function decide(\stdClass $row, object $job, array $payload): void
    {
        $deaths = 1 + (int) ($payload['deaths'] ?? 0);
        $reserved = DB::table('jobs')->where('id', $row->id)->where('reserved_at', $row->reserved_at);
        if ($deaths <= self::MOST_DEATHS) {
            $reserved->update(['reserved_at' => null, 'payload' => json_encode(['deaths' => $deaths] + $payload)]);

            return;
        }
        if ($reserved->delete() === 1) {
            Log::error('A job was given up: its worker died '.$deaths.' times', [
                'job' => $payload['displayName'] ?? $job::class,
            ]);
            if (method_exists($job, 'failed')) {
                $job->failed(WorkerDied::times($deaths));
            }
        }
    }
}
