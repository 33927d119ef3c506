<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Support\Facades\Cache;

/**
 * For jobs that somebody waits for and that have no row of their own to say it in: why one came to nothing. Until this is
 * forgotten the work is not begun anew.
 */
final class LastFault
{
    private const KNOWN_SECONDS = 60;

    /** @param  string  $job  as its lock is called */
    public static function note(string $job, string $says): void
    {
        Cache::put("fault/{$job}", $says, self::KNOWN_SECONDS);
    }

    /** @return string|null a sentence */
    public static function of(string $job): ?string
    {
        return Cache::get("fault/{$job}");
    }
}
