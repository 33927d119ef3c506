<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Support\Facades\Redis;

/** Jobs in Redis' queues whose worker died: they are reserved, and nobody holds their lock. */
final class LostRedisJobs
{
    /** Puts a job back into its queue, at the end that is taken from first, or removes it; whoever comes first does. */
    private const MOVE = <<<'LUA'
        if redis.call('ZREM', KEYS[1], ARGV[1]) == 0 then
            return 0
        end
        if ARGV[2] ~= '' then
            redis.call('LPUSH', KEYS[2], ARGV[2])
        end
        return 1
        LUA;

    /** @return iterable<LostJob> reserved for longer than so many seconds */
    public static function reserved(int $seconds): iterable
    {
        $redis = Redis::connection();
        foreach (QueueName::cases() as $queue) {
            $now = now()->getTimestamp();
            $until = $now - $seconds + (int) config('queue.connections.redis.retry_after');
            foreach ($redis->command('zrangebyscore', ["queues:{$queue->value}:reserved", '-inf', (string) $until]) as $raw) {
                $move = fn (string $as): bool => (int) $redis->command('eval', [
                    self::MOVE, 2, "queues:{$queue->value}:reserved", "queues:{$queue->value}", $raw, $as,
                ]) === 1;
                yield new LostJob(
                    (array) json_decode((string) $raw, true),
                    fn (array $payload): bool => $move((string) json_encode($payload)),
                    fn (): bool => $move(''),
                );
            }
        }
    }
}
