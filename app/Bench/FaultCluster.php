<?php

declare(strict_types=1);

namespace App\Bench;

use App\Media\Locks;
use App\Media\MediaStore;
use App\Media\Shared\SharedDisk;
use App\Work\QueueName;
use Illuminate\Support\Facades\Redis;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Process\Process;

/** Machines and services that can be killed one by one, and are started again as a supervisor would. */
final class FaultCluster
{
    public const PARTS = ['web', 'worker', 'maker', 'redis', 'disk'];

    private const PORTS = ['web' => 8128, 'redis' => 7128, 'disk' => 9128];

    private const BUCKET = 'reel';

    /** As a supervisor starts again what has ended by itself, or could not have its port yet. */
    private const LOOP = 'while :; do setpriv --pdeathsig KILL "$@"; sleep 0.2; done';

    private const PATIENCE = 60;

    /** @var array<string, Process> */
    private array $running = [];

    public function __construct(private readonly string $folder)
    {
    }

    public function address(): string
    {
        return 'http://127.0.0.1:'.self::PORTS['web'];
    }

    public function start(): void
    {
        foreach (['redis', 'disk', 'web', 'worker', 'maker'] as $part) {
            $this->begin($part);
        }
        $this->join();
        $this->secondsUntilItAnswers('web');
    }

    /** @return float seconds until it answers again; 0 for those that answer nobody */
    public function kill(string $part): float
    {
        // With all that it started, as when a machine goes.
        posix_kill(-(int) $this->running[$part]->getPid(), SIGKILL);
        $this->running[$part]->stop(0);
        $this->begin($part);
        $seconds = isset(self::PORTS[$part]) ? $this->secondsUntilItAnswers($part) : 0.0;
        $part === 'redis' && Redis::connection()->command('disconnect');

        return $seconds;
    }

    public function stop(): void
    {
        foreach ($this->running as $one) {
            posix_kill(-(int) $one->getPid(), SIGKILL);
        }
    }

    /** This process asks the same Redis and the same disk. */
    private function join(): void
    {
        config([
            'database.redis.default.port' => self::PORTS['redis'], 'database.redis.cache.port' => self::PORTS['redis'],
            'queue.default' => 'redis', 'cache.default' => 'redis', 'reel.locks' => 'redis',
            'filesystems.disks.shared' => [
                'driver' => 's3', 'bucket' => self::BUCKET, 'key' => 'S3RVER', 'secret' => 'S3RVER',
                'endpoint' => 'http://127.0.0.1:'.self::PORTS['disk'], 'root' => '',
            ] + config('filesystems.disks.shared'),
        ]);
        Storage::forgetDisk('shared');
        foreach ([Locks::class, SharedDisk::class, MediaStore::class] as $one) {
            app()->forgetInstance($one);
        }
    }

    private function begin(string $part): void
    {
        $work = [PHP_BINARY, '-d', 'opcache.enable_cli=1', 'artisan', 'queue:work', '--sleep=0.25', '--timeout=0'];
        [$command, $with] = match ($part) {
            'redis' => [[
                'redis-server', '--port', (string) self::PORTS['redis'], '--bind', '127.0.0.1', '--save', '',
                '--dir', $this->made('redis'), '--appendonly', 'yes', '--appendfsync', 'always',
            ], []],
            'disk' => [[
                'node', 'node_modules/s3rver/bin/s3rver.js', '--directory', $this->made('shared'), '--address', '127.0.0.1',
                '--port', (string) self::PORTS['disk'], '--configure-bucket', self::BUCKET, '--silent',
            ], []],
            'web' => [
                ['bin/serve', '--web-only', '--port', (string) self::PORTS['web']],
                ['REEL_MEDIA_ROOT' => "{$this->folder}/media"],
            ],
            'worker' => [
                [...$work, '--queue=listen,default,background'],
                ['REEL_MEDIA_ROOT' => "{$this->folder}/media"],
            ],
            default => [
                [...$work, '--queue='.QueueName::Pieces->value],
                ['REEL_MEDIA_ROOT' => $this->made('maker'), 'REEL_DATABASE' => 'false', 'DB_DATABASE' => '/nowhere/reel.sqlite'],
            ],
        };
        // In a group of its own, so that all of it can be killed.
        $process = new Process(['setsid', 'bash', '-c', self::LOOP, '-', ...$command], base_path(), $with + [
            'DB_DATABASE' => "{$this->folder}/bench.sqlite", 'QUEUE_CONNECTION' => 'redis', 'CACHE_STORE' => 'redis',
            'REEL_LOCKS' => 'redis', 'REDIS_PORT' => (string) self::PORTS['redis'],
            'REEL_SHARED_DRIVER' => 's3', 'REEL_SHARED_BUCKET' => self::BUCKET, 'REEL_SHARED_KEY' => 'S3RVER',
            'REEL_SHARED_SECRET' => 'S3RVER', 'REEL_SHARED_ENDPOINT' => 'http://127.0.0.1:'.self::PORTS['disk'],
            'REEL_HEAR' => 'false', 'LOG_CHANNEL' => 'errorlog',
        ], timeout: null);
        $process->disableOutput();
        $process->start();
        $this->running[$part] = $process;
    }

    private function made(string $name): string
    {
        is_dir("{$this->folder}/{$name}") || mkdir("{$this->folder}/{$name}", recursive: true);

        return "{$this->folder}/{$name}";
    }

    private function secondsUntilItAnswers(string $part): float
    {
        $start = microtime(true);
        while (! $this->answers($part)) {
            if (microtime(true) - $start > self::PATIENCE) {
                throw new \RuntimeException("{$part} does not answer");
            }
            usleep(20_000);
        }

        return microtime(true) - $start;
    }

    private function answers(string $part): bool
    {
        $socket = @fsockopen('127.0.0.1', self::PORTS[$part], timeout: 0.1);
        if ($socket === false) {
            return false;
        }
        fclose($socket);

        return $part !== 'web' || @file_get_contents("{$this->address()}/api/here") !== false;
    }
}
