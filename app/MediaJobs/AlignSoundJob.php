<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Events\TakesWaitForAlignment;
use App\Media\AlignmentCache;
use App\Media\ProgramFailed;
use App\Work\AlignmentProgress;
use App\Work\Pulse;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Alignment\AlignmentRequest;

/**
 * Listens to a take's sound on a machine without the database, beside the one that has it: whoever comes first does it. Carries
 * plain values only; what was heard is written down by AlignTakesJob.
 */
final class AlignSoundJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Should a worker die for good, it may be asked for again after this. */
    public int $uniqueFor = 3600;

    /**
     * @param  array<string, mixed>  $order  see AlignmentRequest::toArray
     * @param  string  $key  its name in the cache
     * @param  string  $path  of the sound, on the media disk
     * @param  string  $progress  where it is told how far it is
     */
    public function __construct(
        private readonly array $order,
        private readonly string $key,
        private readonly string $path,
        private readonly string $progress,
    ) {
        $this->onQueue(QueueName::RemoteAlignment);
    }

    /** Whether there are machines that would do it. */
    public static function isWanted(): bool
    {
        return config('queue.default') === 'redis' && app(Pulse::class)->isThere(QueueName::RemoteAlignment);
    }

    public static function lockOf(string $key): string
    {
        return "heard/{$key}";
    }

    public function uniqueId(): string
    {
        return $this->key;
    }

    public function lockName(): string
    {
        return self::lockOf($this->key);
    }

    public function handle(AlignmentCache $sounds): void
    {
        $order = AlignmentRequest::parse($this->order);
        // Planned for another encoder, it would be kept under another name that nobody asks for.
        if ($sounds->key($order) !== $this->key) {
            return;
        }
        $this->alone(function () use ($sounds, $order): void {
            try {
                $sounds->hear($order, $this->path, fn (float $done) => AlignmentProgress::note($this->progress, $done));
            } catch (ProgramFailed $failure) {
                // The machine with the database finds the same, and says so.
                Log::error('A sound could not be listened to', $failure->context());
            } finally {
                AlignmentProgress::forget($this->progress);
            }
            FetchPieceJob::handOver(AlignmentCache::KIND, $this->key, AlignmentCache::KIND);
            TakesWaitForAlignment::dispatch();
        });
    }
}
