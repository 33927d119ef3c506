<?php

declare(strict_types=1);

namespace App\Bench;

use Symfony\Component\Process\Process;

/** The application as it is served for real, visited by a browser that a script drives. */
final class Visit
{
    private const PORT = 8127;

    /**
     * @param  string  $folder  with the bench's database and media
     * @param  string  $script  in this folder; told the address, and what else is given
     * @param  list<string>  $more  arguments behind the address
     * @param  string  $path  behind the address
     * @param  bool  $quiet  nothing is done in the background meanwhile
     * @return string what the script prints
     */
    public static function run(
        string $folder,
        string $script,
        string $path = '',
        array $more = [],
        int $seconds = 180,
        bool $quiet = false,
    ): string {
        $server = new Process(
            [base_path('bin/serve'), '--port', (string) self::PORT, ...$quiet ? ['--web-only'] : ['--workers', '0']],
            base_path(),
            ['DB_DATABASE' => "{$folder}/bench.sqlite", 'REEL_MEDIA_ROOT' => "{$folder}/media"],
            timeout: null,
        );
        $server->start();
        try {
            $server->waitUntil(fn (string $type, string $says): bool => str_contains($says, 'Open Reel runs at'));
            $address = 'http://127.0.0.1:'.self::PORT.$path;
            $command = ['node', base_path("app/Bench/{$script}"), $address, ...$more];

            return (new Process($command, base_path(), timeout: $seconds))->mustRun()->getOutput();
        } finally {
            $server->stop(1);
        }
    }
}
