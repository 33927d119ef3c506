<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\File;
use Symfony\Component\Process\Process;

/**
 * A database and a media disk of their own, and several PHP processes that call the application's API on them at the same time.
 */
final class Processes
{
    /** @param  array<string, string>  $environment */
    private function __construct(public readonly string $folder, private readonly array $environment)
    {
    }

    public static function begin(): self
    {
        $folder = sys_get_temp_dir().'/reel-processes-'.bin2hex(random_bytes(5));
        File::makeDirectory("{$folder}/media", recursive: true);
        touch("{$folder}/reel.sqlite");
        $self = new self($folder, [
            'APP_ENV' => 'testing',
            'DB_DATABASE' => "{$folder}/reel.sqlite",
            'REEL_MEDIA_ROOT' => "{$folder}/media",
            'REEL_AUTHORITY' => "{$folder}/authority",
            'REEL_RESERVE_BYTES' => '0',
            'QUEUE_CONNECTION' => 'database',
            'CACHE_STORE' => 'file',
            'LOG_CHANNEL' => 'null',
        ]);
        $self->artisan('migrate', '--force')->mustRun();

        return $self;
    }

    public function artisan(string ...$arguments): Process
    {
        return $this->command(PHP_BINARY, 'artisan', ...$arguments);
    }

    public function command(string ...$command): Process
    {
        return new Process($command, base_path(), $this->environment, timeout: 120);
    }

    /** @return array<int, string> the command of every process that works on this database, by its number */
    public function running(): array
    {
        $found = [];
        foreach (glob('/proc/[0-9]*') ?: [] as $process) {
            $environment = (string) @file_get_contents("{$process}/environ");
            if (str_contains($environment, "DB_DATABASE={$this->environment['DB_DATABASE']}\0")) {
                $found[(int) basename($process)] = strtr((string) @file_get_contents("{$process}/cmdline"), "\0", ' ');
            }
        }

        return $found;
    }

    /**
     * Runs the PHP code in so many processes, started together, with `$call(method, path, data)` at hand, which gives
     * status and answer, and `$me`, the number of the process.
     *
     * @return list<mixed> what each returned
     */
    public function each(int $count, string $code): array
    {
        file_put_contents("{$this->folder}/code.php", "<?php return function (Closure \$call, int \$me) { {$code} };");
        $start = microtime(true) + 1.0;
        $processes = array_map(
            fn (int $me): Process => new Process(
                [PHP_BINARY, __DIR__.'/call-the-api.php', "{$this->folder}/code.php", (string) $me, (string) $start],
                base_path(),
                $this->environment,
                timeout: 120,
            ),
            range(1, $count),
        );
        array_walk($processes, fn (Process $p) => $p->start());

        return array_map(function (Process $process): mixed {
            $process->wait();

            return json_decode($process->getOutput(), true) ??
                throw new \RuntimeException($process->getOutput().$process->getErrorOutput());
        }, $processes);
    }

    /** @return array{int, mixed} status and answer */
    public function call(string $method, string $path, mixed $data = []): array
    {
        return $this->each(
            1,
            sprintf('return $call(%s, %s, %s);', var_export($method, true), var_export($path, true), var_export($data, true)),
        )[0];
    }

    public function end(): void
    {
        File::deleteDirectory($this->folder);
    }
}
