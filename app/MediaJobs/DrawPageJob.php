<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Media\DrawnPages;
use App\Media\InfrastructureFailure;
use App\Media\Shared\SharedDiskAway;
use App\Work\Pulse;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Deck\PageRequest;

/** Draws a page of a deck on a machine without the database, beside the one that brings the deck in and draws as well. */
final class DrawPageJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    /**
     * @param  array{pdf: string, page: int, width: int, height: int}  $order  see PageRequest::toArray
     * @param  string  $path  of the PDF file, on the media disk
     */
    public function __construct(private readonly array $order, private readonly string $path)
    {
        $this->onQueue(QueueName::Pieces);
    }

    /** Whether there are machines that would do it. */
    public static function isWanted(): bool
    {
        return config('queue.default') === 'redis' && app(Pulse::class)->isThere(QueueName::Pieces);
    }

    public function lockName(): string
    {
        return 'draw/'.$this->key();
    }

    public function handle(DrawnPages $pages): void
    {
        $this->alone(function () use ($pages): void {
            try {
                $pages->draw(new PageRequest(...$this->order), $this->path);
                FetchPieceJob::handOver(DrawnPages::KIND, $this->key(), 'png');
            } catch (SharedDiskAway $away) {
                throw $away;
            } catch (InfrastructureFailure $trouble) {
                // Whoever brings the deck in finds the same, and says so; or the deck is gone again.
                Log::notice('A page could not be drawn', $trouble->context());
            }
        });
    }

    private function key(): string
    {
        return (new PageRequest(...$this->order))->key();
    }
}
