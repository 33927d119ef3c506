<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Media\MediaStore;
use App\Media\Shared\SharedDisk;
use App\Media\Shared\SharedDiskAway;
use Illuminate\Console\Command;

final class ShareCommand extends Command
{
    protected $signature = 'reel:share';

    protected $description = 'Put on the shared disk what this machine has and it lacks, as when there was none before';

    public function handle(MediaStore $media, SharedDisk $shared): int
    {
        if (! $shared->isThere()) {
            $this->error('There is no shared disk. Name it with REEL_SHARED_DRIVER and what belongs to it.');

            return self::FAILURE;
        }
        try {
            $noted = $bytes = 0;
            foreach ($media->filesHere('', MediaStore::OWN) as $name => $file) {
                if ($shared->find($name)?->bytes !== $file->bytes) {
                    $media->share($name);
                    $noted++;
                    $bytes += $file->bytes;
                }
            }
            $this->line(sprintf('%d files, %.1f MB, are put there...', $noted, $bytes / 1_000_000));
            $media->sendUnsent();
        } catch (SharedDiskAway $away) {
            $this->error("It does not answer: {$away->detail}. What is noted goes there when it does.");

            return self::FAILURE;
        }
        $this->line('It has everything.');

        return self::SUCCESS;
    }
}
