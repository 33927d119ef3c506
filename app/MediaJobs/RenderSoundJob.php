<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Media\SoundRenderer;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use OpenReel\Core\Soundtrack\SoundPart;

/** Makes one part of the soundtrack ahead of need. Needs the media disk and no database, and carries plain values only. */
final class RenderSoundJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Of its own: machines without the database take nothing else. */
    public const QUEUE = 'pieces';

    /** Should a worker die for good, it may be asked for again after this. */
    public int $uniqueFor = 300;

    /** @var array<string, string> path on the media disk by hash */
    private readonly array $files;

    /**
     * @param  array<string, mixed>  $part  see SoundPart::toArray
     * @param  string  $key  its name in the cache, for the encoder version it was planned for
     * @param  array<string, string>  $files  may hold more than is needed
     */
    public function __construct(private readonly array $part, private readonly string $key, array $files)
    {
        $this->files = array_intersect_key($files, array_flip(SoundPart::parse($part)->files()));
        $this->onQueue(QueueName::Pieces);
    }

    public function uniqueId(): string
    {
        return $this->key;
    }

    public function lockName(): string
    {
        return "part/{$this->key}";
    }

    public function handle(SoundRenderer $sounds): void
    {
        $part = SoundPart::parse($this->part);
        // Planned for another encoder, it would be made under another name that nobody asked for.
        if ($sounds->key($part) === $this->key) {
            $this->alone(function () use ($sounds, $part): void {
                $sounds->part($part, $this->files);
                FetchPieceJob::handOver('part', $this->key, 'aac');
            });
        }
    }
}
