<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Archives\UnpackArchive;
use App\OperationRejected;
use Illuminate\Console\Command;

final class ImportCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:import {file : an archive that Open Reel has written}';

    protected $description = 'Make lessons of an archive';

    /** Its name in the version before. */
    protected $aliases = ['reel:bring-in'];

    public function handle(UnpackArchive $unpack): int
    {
        return $this->plainly(function () use ($unpack): int {
            $file = $this->argument('file');
            if (! is_string($file) || ! is_file($file)) {
                throw OperationRejected::badInput('There is no such file.');
            }
            foreach ($unpack($file, fn (int $done, int $total) => null) as $lesson) {
                $differs = $lesson['same'] ? '' : '  (its film will look otherwise here)';
                $this->line("{$lesson['id']}  {$lesson['title']}{$differs}");
            }

            return self::SUCCESS;
        });
    }
}
