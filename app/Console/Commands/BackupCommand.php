<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Backup\BackUpDatabase;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class BackupCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:backup {folder}
        {--every= : again and again, with so many minutes between, whenever something has changed}
        {--keep=48 : how many copies stay}';

    protected $description = 'Copy the database while it is used';

    public function handle(BackUpDatabase $backUp): int
    {
        /** @var string $folder */
        $folder = $this->argument('folder');
        $every = $this->option('every');
        $keep = $this->option('keep');
        $isRight = is_string($keep) && ctype_digit($keep) && (int) $keep > 0;
        if (! $isRight || ($every !== null && (! is_numeric($every) || (float) $every <= 0))) {
            $this->error('--keep takes a whole number from 1 on, --every minutes.');

            return self::INVALID;
        }

        return $this->plainly(function () use ($backUp, $folder, $every, $keep): int {
            $once = fn () => $this->line($backUp($folder, (int) $keep));
            $once();
            $seen = self::version();
            while ($every !== null) {
                usleep((int) (60_000_000 * (float) $every));
                if (self::version() !== $seen) {
                    // What comes in while it is copied is copied the next time.
                    $seen = self::version();
                    $once();
                }
            }

            return self::SUCCESS;
        });
    }

    /** Another number once somebody else has written to the database. */
    private static function version(): int
    {
        return (int) DB::scalar('PRAGMA data_version');
    }
}
