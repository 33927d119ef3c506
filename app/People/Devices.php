<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Device;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;
use OpenReel\Core\People\DeviceName;

/** The browsers in which people are signed in. A session names its own; one that is remembered has a cookie beside it. */
final class Devices
{
    public const COOKIE = 'reel_device';

    /** In the session. */
    public const KEY = 'device';

    /** A use is noted when the last one noted is older than this. */
    private const USED_SECONDS = 300;

    /** By HTTPS a cookie is one that nothing but this very host can have set (RFC 6265bis, section 4.1.3.2). */
    public static function cookie(Request $request, string $name = self::COOKIE): string
    {
        return $request->isSecure() ? "__Host-{$name}" : $name;
    }

    /** Signs somebody in here, and forgets who was before. */
    public static function begin(Request $request, User $person, bool $remember): void
    {
        self::mine($request)?->delete();
        $token = $remember ? Str::random(40) : null;
        $device = Device::query()->create([
            'user_id' => $person->id, 'name' => DeviceName::of((string) $request->userAgent()), 'mark' => $person->mark(),
            'token' => $token === null ? null : hash('sha256', $token), 'used_at' => now(),
        ]);
        $token === null
            ? self::forgetCookie($request)
            : Cookie::queue(Cookie::make(
                self::cookie($request), "{$device->id}|{$token}", Device::REMEMBERED_DAYS * 24 * 60, '/',
                secure: $request->isSecure(), httpOnly: true, sameSite: 'lax',
            ));
        self::enter($request, $device);
    }

    /** Signs out here. */
    public static function end(Request $request): void
    {
        self::mine($request)?->delete();
        self::forgetCookie($request);
        Auth::logoutCurrentDevice();
        $request->session()->invalidate();
    }

    /** Whether somebody is signed in here; whoever is remembered is from now on. */
    public static function isKnown(Request $request): bool
    {
        $device = self::mine($request);
        if ($device !== null && Auth::id() === $device->user_id) {
            return true;
        }
        if ($device === null || Auth::check()) {
            // Ended meanwhile, elsewhere.
            Auth::check() && self::end($request);

            return false;
        }
        self::enter($request, $device);

        return true;
    }

    public static function mine(Request $request): ?Device
    {
        $own = $request->session()->get(self::KEY);
        $device = is_string($own) ? Device::living()->with('user')->find($own) : self::remembered($request);
        if ($device === null || ! hash_equals($device->user->mark(), $device->mark)) {
            return null;
        }
        if ($device->used_at->lt(now()->subSeconds(self::USED_SECONDS))) {
            $device->update(['used_at' => now()]);
        }

        return $device;
    }

    private static function remembered(Request $request): ?Device
    {
        $said = $request->cookie(self::cookie($request));
        [$id, $token] = explode('|', is_string($said) ? $said : '', 2) + ['', ''];
        $device = $id === '' ? null : Device::living()->with('user')->find($id);

        return $device !== null && hash_equals((string) $device->token, hash('sha256', $token)) ? $device : null;
    }

    private static function enter(Request $request, Device $device): void
    {
        Auth::login($device->user);
        $request->session()->regenerate();
        $request->session()->put(self::KEY, $device->id);
    }

    private static function forgetCookie(Request $request): void
    {
        $request->cookie(self::cookie($request)) === null || Cookie::queue(Cookie::forget(self::cookie($request)));
    }
}
