<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Media\CameraLooks;
use App\Media\ProgramFailed;
use App\Work\Guarded;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Seeing\CameraOrder;

/**
 * Looks at a take's camera on a machine without the database, as HearSoundJob listens to its sound; what was seen is written
 * down by HearTakesJob.
 */
final class LookAtCameraJob implements ShouldBeUnique, ShouldQueue
{
    use Guarded, Queueable;

    /** Should a worker die for good, it may be asked for again after this. */
    public int $uniqueFor = 3600;

    /**
     * @param  array{camera: string, range: string|null, matrix: string|null, height: int}  $order  see CameraOrder::toArray
     * @param  string  $key  its name in the cache
     * @param  string  $path  of the camera's file, on the media disk
     */
    public function __construct(private readonly array $order, private readonly string $key, private readonly string $path)
    {
        $this->onQueue(HearSoundJob::QUEUE);
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

    public function handle(CameraLooks $looks): void
    {
        $order = new CameraOrder(...$this->order);
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
            FetchPieceJob::handOver(CameraLooks::KIND, $this->key, CameraLooks::KIND);
            HearTakesJob::dispatch();
        });
    }
}
