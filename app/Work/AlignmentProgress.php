<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Support\Facades\Cache;

/** How far the alignment of a take is, for whoever looks at it meanwhile. */
final class AlignmentProgress
{
    /** How long it is remembered. */
    private const SECONDS = 600;

    /** @return string where it is kept: handed to machines that know nothing of takes */
    public static function key(string $take): string
    {
        return "hearing/{$take}";
    }

    /** @return float|null 0..1; null when it has not begun */
    public static function of(string $take): ?float
    {
        $done = Cache::get(self::key($take));

        // Redis gives numbers back as text.
        return $done === null ? null : (float) $done;
    }

    /** @param  string  $key  see `key` */
    public static function note(string $key, float $done): void
    {
        Cache::put($key, $done, self::SECONDS);
    }

    public static function forget(string $key): void
    {
        Cache::forget($key);
    }
}
