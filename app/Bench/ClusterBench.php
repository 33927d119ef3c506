<?php

declare(strict_types=1);

namespace App\Bench;

use App\Jobs\PrepareLessonJob;
use App\Media\Locks;
use App\Media\MediaStore;
use App\Work\QueueName;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Redis;
use Symfony\Component\Process\Process;

/**
 * Pieces of a film made by workers that have no database and take them from Redis: several against one. Each has a core to
 * itself, as a machine of its own would, as far as there are two.
 */
final class ClusterBench implements Bench
{
    private const WAIT_MICROSECONDS = 20_000;

    private const MOST_SECONDS = 600;

    private const CORES = 2;

    public function __construct(private readonly TwelveSections $twelve, private readonly MediaStore $media)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('shots_2_workers_vs_1') && ! $wanted('shots_3_workers_vs_1')) {
            return;
        }
        $lesson = $this->twelve->make($folder);
        $port = 7300 + getmypid() % 500;
        $redis = new Process(
            ['redis-server', '--port', (string) $port, '--bind', '127.0.0.1', '--save', '', '--dir', $folder], timeout: null,
        );
        $redis->start();
        $redis->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'Ready to accept connections'));
        config([
            'database.redis.default.port' => $port, 'database.redis.cache.port' => $port,
            'queue.default' => 'redis', 'cache.default' => 'redis', 'reel.locks' => 'redis',
        ]);
        app()->forgetInstance(Locks::class);
        // There it is noted what was asked for already; made when this process began, it would not be the workers' one.
        app()->forgetInstance('cache.store');
        try {
            $one = $this->seconds($lesson->id, $port, 1);
            foreach ([2, 3] as $many) {
                if ($wanted("shots_{$many}_workers_vs_1")) {
                    $ratio = round($one / $this->seconds($lesson->id, $port, $many), 2);
                    yield "shots_{$many}_workers_vs_1" => [$ratio, $many === 2 ? '>= 1.6' : ''];
                }
            }
        } finally {
            $redis->stop(1);
        }
    }

    /** How long so many workers, which are there already, take for all pieces. */
    private function seconds(string $lesson, int $port, int $count): float
    {
        $this->media->deleteFolder('renders');
        // What was asked for once is not asked for again so soon.
        Redis::connection()->command('flushall');
        $others = self::connections();
        $workers = array_map(fn (int $n): Process => $this->worker($port, $n % self::CORES), range(1, $count));
        try {
            // Each is up when it looks for work: one connection for the queue, one for the cache.
            while (self::connections() < $others + 2 * $count) {
                foreach ($workers as $worker) {
                    $worker->isRunning() || throw new \RuntimeException($worker->getErrorOutput());
                }
                usleep(self::WAIT_MICROSECONDS);
            }
            $start = hrtime(true);
            PrepareLessonJob::dispatchSync($lesson);
            Queue::size(QueueName::Pieces->value) > 0 || throw new \RuntimeException('No piece was asked for.');
            while (Queue::size(QueueName::Pieces->value) > 0) {
                if (hrtime(true) - $start > self::MOST_SECONDS * 1e9) {
                    throw new \RuntimeException('The workers do not finish.');
                }
                usleep(self::WAIT_MICROSECONDS);
            }

            return (hrtime(true) - $start) / 1e9;
        } finally {
            array_map(fn (Process $worker) => $worker->stop(1), $workers);
        }
    }

    private static function connections(): int
    {
        return (int) Redis::connection()->command('info', ['clients'])['Clients']['connected_clients'];
    }

    private function worker(int $port, int $core): Process
    {
        $worker = new Process(
            [
                'taskset', '--cpu-list', (string) $core, PHP_BINARY, '-d', 'opcache.enable_cli=1',
                'artisan', 'queue:work', '--queue='.QueueName::Pieces->value, '--sleep=0.05',
            ],
            base_path(),
            [
                'DB_DATABASE' => '/nowhere', 'REEL_DATABASE' => 'false', 'QUEUE_CONNECTION' => 'redis', 'CACHE_STORE' => 'redis',
                'REEL_LOCKS' => 'redis', 'REDIS_PORT' => (string) $port,
                'REEL_MEDIA_ROOT' => (string) config('filesystems.disks.media.root'),
            ],
            timeout: null,
        );
        $worker->start();

        return $worker;
    }
}
