<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Media\OtherEncoder;
use App\Media\PieceRenderer;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Render\PieceRequest;

/** Makes one piece of picture ahead of need. Needs the media disk and no database, and carries plain values only. */
final class RenderPieceJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Should a worker die for good, it may be asked for again after this. */
    public int $uniqueFor = 300;

    /** @var array<string, string> path on the media disk by hash */
    private readonly array $files;

    /**
     * @param  array<string, mixed>  $order  see PieceRequest::toArray
     * @param  array<string, string>  $files  may hold more than is needed
     */
    public function __construct(private readonly array $order, array $files)
    {
        $this->files = array_intersect_key($files, array_flip($order['files']));
        $this->onQueue(QueueName::Pieces);
    }

    public function uniqueId(): string
    {
        return $this->order['key'];
    }

    public function lockName(): string
    {
        return 'piece/'.$this->order['key'];
    }

    public function handle(PieceRenderer $pieces): void
    {
        $this->alone(function () use ($pieces): void {
            try {
                $pieces->make(PieceRequest::parse($this->order), $this->files);
                FetchPieceJob::handOver($this->order['kind'], $this->order['key'], 'mp4');
            } catch (OtherEncoder $other) {
                // Whoever needs it plans it anew.
                Log::notice($other->getMessage(), $other->context());
            }
        });
    }
}
