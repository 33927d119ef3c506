<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;

/**
 * A browser in which somebody has signed in before says so in a cookie that only this server can have made: strangers who try
 * somebody's password or codes elsewhere lock nobody out of there.
 */
final class KnownBrowser
{
    private const COOKIE = 'reel_known';

    private const DAYS = 365;

    /** Of a computer that several share. */
    private const MOST_PEOPLE = 8;

    public static function isOf(Request $request, ?User $person): bool
    {
        return $person !== null && in_array($person->id, self::people($request), true);
    }

    public static function note(Request $request, User $person): void
    {
        $people = array_slice(array_unique([$person->id, ...self::people($request)]), 0, self::MOST_PEOPLE);
        Cookie::queue(Cookie::make(
            Devices::cookie($request, self::COOKIE), implode('|', $people), self::DAYS * 24 * 60, '/',
            secure: $request->isSecure(), httpOnly: true, sameSite: 'lax',
        ));
    }

    /** @return list<string> ids */
    private static function people(Request $request): array
    {
        $said = $request->cookie(Devices::cookie($request, self::COOKIE));

        return is_string($said) && $said !== '' ? explode('|', $said) : [];
    }
}
