<?php

declare(strict_types=1);

namespace App\Health;

use App\Media\MediaStore;
use App\Media\RenderCache;
use App\Models\Export;
use App\Models\WorkState;
use App\Web\Pool;
use App\Web\PoolStatus;
use App\Web\WebServer;
use App\Work\Pulse;
use App\Work\QueueName;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\TakeState;

/** How much there is, waits and fails, for monitoring programs. Nothing in it tells who did what. */
final class Counters
{
    /** Adding up the cache takes a while on a large disk. */
    private const CACHE_SECONDS = 60;

    public function __construct(
        private readonly MediaStore $media,
        private readonly RenderCache $renders,
        private readonly Queues $queues,
        private readonly Pulse $pulse,
        private readonly Repository $cache,
    ) {
    }

    /** @return list<Metric> */
    public function all(): array
    {
        $ofQueues = fn (callable $of): array => array_values(array_filter(
            array_map(fn (QueueName $queue): array => [['queue' => $queue->value], $of($queue)], QueueName::needed()),
            fn (array $one): bool => $one[1] !== null,
        ));

        return [
            new Metric('reel_jobs_waiting', 'Jobs that wait for a worker', $ofQueues($this->queues->waiting(...))),
            new Metric(
                'reel_jobs_oldest_seconds', 'Seconds for which the oldest of them has waited',
                $ofQueues($this->queues->oldest(...)),
            ),
            new Metric('reel_workers', 'Whether a worker takes jobs of the queue', $ofQueues(
                fn (QueueName $queue): int => (int) $this->pulse->isThere($queue),
            )),
            new Metric('reel_jobs_failed', 'Jobs that failed for a reason nobody foresaw', [
                [[], DB::table('failed_jobs')->count()],
            ]),
            new Metric('reel_disk_free_bytes', 'Bytes free on the media disk', [
                [[], (int) min($this->media->free(), PHP_INT_MAX)],
            ]),
            new Metric('reel_unsent_files', 'Files on their way from this machine to the shared disk', [
                [[], $this->media->unsentFiles()],
            ]),
            new Metric('reel_cache_bytes', 'Bytes of rendered pieces that are kept', [[[], $this->cacheBytes()]]),
            new Metric('reel_lessons', 'Lessons on the shelf', [[[], DB::table('lessons')->whereNull('deleted_at')->count()]]),
            new Metric('reel_takes', 'Takes by what state they are in', self::byState('takes', TakeState::cases())),
            new Metric('reel_recorded_seconds', 'Seconds of takes that are here', [[
                [], (int) (DB::table('take_summaries')->selectRaw('total(length_ticks) AS ticks')->value('ticks') / Tick::RATE),
            ]]),
            new Metric(
                'reel_exports', 'Films that were asked for, by what became of them',
                self::byState('exports', WorkState::cases()),
            ),
            ...$this->renderSpeed(),
            ...self::web(),
        ];
    }

    /** @return list<Metric> seconds of film made in a second, of the last one that was made */
    private function renderSpeed(): array
    {
        /** @var Export|null $last */
        $last = Export::query()->where('state', WorkState::Done)->whereNotNull('started_at')->latest('finished_at')->first();
        if ($last === null) {
            return [];
        }
        $spent = $last->finished_at?->diffInMilliseconds($last->started_at, true) ?? 0;

        return $spent <= 0 ? [] : [new Metric(
            'reel_render_speed_ratio', 'Seconds of film made in a second, what was rendered before included, of the last film',
            [[[], round($last->milliseconds() / $spent, 2)]],
        )];
    }

    /** @return list<Metric> how busy the web server is, by pool of processes; of several that run the values together */
    private static function web(): array
    {
        $busy = $idle = $waiting = [];
        foreach (WebServer::running() as $server) {
            foreach (Pool::cases() as $pool) {
                $status = PoolStatus::of($server, $pool);
                $busy[$pool->value] = ($busy[$pool->value] ?? 0) + ($status->busy ?? 0);
                $idle[$pool->value] = ($idle[$pool->value] ?? 0) + ($status->idle ?? 0);
                $waiting[$pool->value] = ($waiting[$pool->value] ?? 0) + ($status->waiting ?? 0);
            }
        }
        $by = fn (array $values, array $more = []): array => array_map(
            fn (string $pool, int $value): array => [['pool' => $pool] + $more, $value], array_keys($values), $values,
        );

        return $busy === [] ? [] : [
            new Metric('reel_web_processes', 'Processes that answer requests, by pool', [
                ...$by($busy, ['state' => 'busy']), ...$by($idle, ['state' => 'idle']),
            ]),
            new Metric('reel_web_waiting', 'Requests that no process has taken yet, by pool', $by($waiting)),
        ];
    }

    private function cacheBytes(): int
    {
        return (int) $this->cache->remember('health/cache-bytes', self::CACHE_SECONDS, fn (): int => $this->renders->bytes());
    }

    /**
     * @param  list<\BackedEnum>  $states
     * @return list<array{array<string, string>, int}>
     */
    private static function byState(string $table, array $states): array
    {
        $counts = DB::table($table)->groupBy('state')->selectRaw('state, count(*) AS count')->pluck('count', 'state');

        return array_map(
            fn (\BackedEnum $state): array => [['state' => (string) $state->value], (int) ($counts[$state->value] ?? 0)],
            $states,
        );
    }
}
