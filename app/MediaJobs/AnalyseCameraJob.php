<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Events\TakesWaitForAlignment;
use App\Media\CameraLookCache;
use App\Media\ProgramFailed;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Analysis\CameraRequest;

/**
 * Looks at a take's camera on a machine without the database, as AlignSoundJob listens to its sound; what was seen is written
 * down by AlignTakesJob.
 */
final class AnalyseCameraJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Should a worker die for good, it may be asked for again after this. */
    public int $uniqueFor = 3600;

    /**
     * @param  array{camera: string, range: string|null, matrix: string|null, height: int}  $order  see CameraRequest::toArray
     * @param  string  $key  its name in the cache
     * @param  string  $path  of the camera's file, on the media disk
     */
    public function __construct(private readonly array $order, private readonly string $key, private readonly string $path)
    {
        $this->onQueue(QueueName::RemoteAlignment);
    }

    public static function lockOf(string $key): string
    {
        return "look/{$key}";
    }

    public function uniqueId(): string
    {
        return $this->key;
    }

    public function lockName(): string
    {
        return self::lockOf($this->key);
    }

    public function handle(CameraLookCache $looks): void
    {
        $order = new CameraRequest(...$this->order);
        // Planned for another encoder, it would be kept under another name that nobody asks for.
        if ($looks->key($order) !== $this->key) {
            return;
        }
        $this->alone(function () use ($looks, $order): void {
            try {
                $looks->look($order, $this->path);
            } catch (ProgramFailed $failure) {
                // The machine with the database finds the same, and says so.
                Log::error('A camera could not be looked at', $failure->context());
            }
            FetchPieceJob::handOver(CameraLookCache::KIND, $this->key, CameraLookCache::KIND);
            TakesWaitForAlignment::dispatch();
        });
    }
}
