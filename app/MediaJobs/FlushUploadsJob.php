<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Media\MediaStore;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Puts on the shared disk what has grown on this machine, or could not be put there when it was made. */
final class FlushUploadsJob implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Frees the lock should a worker die before it starts. */
    public int $uniqueFor = 30;

    public function __construct()
    {
        $this->onQueue('background');
    }

    public function lockName(): string
    {
        return 'send-unsent';
    }

    public function handle(MediaStore $media): void
    {
        $this->alone(fn () => $media->sendUnsent());
    }
}
