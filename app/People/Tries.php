<?php

declare(strict_types=1);

namespace App\People;

use App\Media\WorkLock;
use Illuminate\Support\Facades\Cache;

/**
 * How often something secret was tried. Tries are counted before they are looked at, one after the other, so that none passes
 * beside another; and each time there were too many, it is closed for twice as long as the time before.
 */
final class Tries
{
    private const LONGEST_SECONDS = 86_400;

    /** As long as that nobody tried, and all is forgotten. */
    private const FORGOTTEN_SECONDS = 86_400;

    /**
     * Counts a try.
     *
     * @param  string  $what  is tried, by whom or at what
     * @param  int  $most  of them in so many seconds
     * @return bool whether this one may be looked at
     */
    public static function may(string $what, int $most, int $seconds = 60): bool
    {
        return self::changed($what, function (array $state) use ($most, $seconds): array {
            $now = now()->getTimestamp();
            if ($state['closed'] > $now) {
                return [$state, false];
            }
            if ($now >= $state['from'] + $seconds) {
                $state = ['from' => $now, 'count' => 0] + $state;
            }
            $state['count']++;
            if ($state['count'] <= $most) {
                return [$state, true];
            }
            $closed = min(self::LONGEST_SECONDS, $seconds * 2 ** min(16, $state['times']));

            return [['closed' => $now + $closed, 'times' => $state['times'] + 1, 'count' => 0, 'from' => $now], false];
        });
    }

    /** The last of them was right: whoever it was did not guess. */
    public static function forget(string $what): void
    {
        Cache::forget(self::key($what));
    }

    /**
     * @param  callable(array{from: int, count: int, closed: int, times: int}): array{array<string, int>, bool}  $how
     */
    private static function changed(string $what, callable $how): bool
    {
        $key = self::key($what);
        $lock = WorkLock::for($key);
        try {
            /** @var array{from: int, count: int, closed: int, times: int} $state */
            $state = (array) Cache::get($key, []) + ['from' => 0, 'count' => 0, 'closed' => 0, 'times' => 0];
            [$state, $may] = $how($state);
            Cache::put($key, $state, self::FORGOTTEN_SECONDS);

            return $may;
        } finally {
            $lock->release();
        }
    }

    /** Of whatever is said there are no more than so many counters: made-up names fill nothing. */
    private static function key(string $what): string
    {
        [$kind, $rest] = explode('/', $what, 2) + ['', ''];

        return "tries/{$kind}/".substr(hash_hmac('sha256', $rest, (string) config('app.key')), 0, 4);
    }
}
