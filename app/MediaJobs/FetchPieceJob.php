<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Media\MediaStore;
use App\Media\RenderCache;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has the machine that joins films have a piece as soon as another machine has made it. */
final class FetchPieceJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    public function __construct(
        private readonly string $kind,
        private readonly string $key,
        private readonly string $extension,
    ) {
        $this->onQueue(QueueName::Background);
    }

    /** Called by whoever made it, or had it: it must be where others find it. */
    public static function handOver(string $kind, string $key, string $extension): void
    {
        if (config('reel.has_database')) {
            return;
        }
        $media = app(MediaStore::class);
        foreach (['json', $extension] as $one) {
            $media->mustBeShared(app(RenderCache::class)->nameOf($kind, $key, $one));
        }
        self::dispatch($kind, $key, $extension);
    }

    public function lockName(): string
    {
        return "fetch/{$this->key}";
    }

    public function handle(RenderCache $cache): void
    {
        $this->alone(fn () => $cache->fetch($this->kind, $this->key, $this->extension));
    }
}
