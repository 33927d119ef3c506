<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Redis\Connections\Connection;

/**
 * Locks for processes on several machines: a key in Redis that names its holder, and holds only while that process says that it
 * lives. So they open within seconds when their holder dies, or its machine, however long the work it was doing.
 */
final class RedisLocks implements Locks
{
    /** Takes the lock unless a living process holds it: 1 when it is taken. */
    private const TAKE = <<<'LUA'
        local holder = redis.call('GET', KEYS[1])
        if holder and redis.call('EXISTS', ARGV[2] .. string.match(holder, '^[^:]+')) == 1 then
            return 0
        end
        redis.call('SET', KEYS[1], ARGV[1])
        return 1
        LUA;

    private const RELEASE = <<<'LUA'
        if redis.call('GET', KEYS[1]) == ARGV[1] then
            return redis.call('DEL', KEYS[1])
        end
        return 0
        LUA;

    private int $taken = 0;

    public function __construct(private readonly Connection $redis, private readonly Heartbeat $heart)
    {
    }

    public function tryFor(string $name): ?Lock
    {
        $key = 'lock/'.hash('xxh128', $name);
        $me = $this->heart->beats().':'.++$this->taken;
        $prefix = (string) config('database.redis.options.prefix');
        if ((int) $this->redis->command('eval', [self::TAKE, 1, $key, $me, $prefix.Heartbeat::KEY]) !== 1) {
            return null;
        }

        return new RedisLock(fn () => $this->redis->command('eval', [self::RELEASE, 1, $key, $me]));
    }
}
