<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Backup\RestoreDatabase;
use App\Health\FilesCheck;
use App\Health\Severity;
use Illuminate\Console\Command;

final class RestoreCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:restore {file : a copy that reel backup has made}';

    protected $description = 'Bring a copy of the database back; what is there now is kept as a copy';

    public function handle(RestoreDatabase $restore, FilesCheck $files): int
    {
        /** @var string $copy */
        $copy = $this->argument('file');

        return $this->plainly(function () use ($restore, $files, $copy): int {
            $before = $restore($copy);
            $this->line("The database is as it was then. What was there before: {$before}");
            foreach ($files->look() as $one) {
                if ($one->verdict !== Severity::Good) {
                    $this->line("{$one->says} {$one->todo}");
                }
            }

            return self::SUCCESS;
        });
    }
}
