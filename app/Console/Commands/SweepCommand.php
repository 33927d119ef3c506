<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Media\MediaStore;
use App\Media\RenderCache;
use App\Queries\Storage\StrayFiles;
use Illuminate\Console\Command;

final class SweepCommand extends Command
{
    protected $signature = 'reel:sweep {--remove : remove them} {--cache : empty the cache of rendered pieces}';

    protected $description = 'List the files on the media disk that belong to nothing';

    public function handle(StrayFiles $stray, MediaStore $media, RenderCache $cache): int
    {
        if ($this->option('cache')) {
            $says = '%.1f MB of rendered pieces removed. They are made again when a film needs them.';
            $this->line(sprintf($says, $cache->sweep(0) / 1_000_000));

            return self::SUCCESS;
        }
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
