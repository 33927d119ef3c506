<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Media\MediaStore;
use App\Readers\StrayFiles;
use Illuminate\Console\Command;

final class SweepCommand extends Command
{
    protected $signature = 'reel:sweep {--remove : remove them}';

    protected $description = 'List the files on the media disk that belong to nothing';

    public function handle(StrayFiles $stray, MediaStore $media): int
    {
        $files = $stray->all();
        foreach ($files as $name => $bytes) {
            $this->line(sprintf('%10d  %s', $bytes, $name));
            if ($this->option('remove')) {
                $media->delete($name);
            }
        }
        $this->line(
            $files === []
                ? 'Every file belongs to something.'
                : sprintf(
                    '%d files, %.1f MB%s', count($files), array_sum($files) / 1_000_000,
                    $this->option('remove') ? ', removed.' : '. Look them through; --remove removes them.',
                ),
        );

        return self::SUCCESS;
    }
}
