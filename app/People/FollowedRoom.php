<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Facades\Cache;

/**
 * What somebody's recording room shows at this moment, for devices that follow it. It is nowhere but in the cache: a room that
 * says nothing any more is closed.
 */
final class FollowedRoom
{
    /** The room says what it shows at least every other second (resources/js/recorder/roomReport.ts). */
    private const SECONDS = 6;

    /** @param  array<string, mixed>  $shown */
    public static function show(?string $person, array $shown): void
    {
        Cache::put(self::key($person), $shown, self::SECONDS);
    }

    public static function close(?string $person): void
    {
        Cache::forget(self::key($person));
    }

    /** @return array<string, mixed>|null null while no room is open */
    public static function of(?string $person): ?array
    {
        $shown = Cache::get(self::key($person));

        return is_array($shown) ? $shown : null;
    }

    private static function key(?string $person): string
    {
        return 'room/'.($person ?? 'me');
    }
}
