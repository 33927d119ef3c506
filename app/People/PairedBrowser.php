<?php

declare(strict_types=1);

namespace App\People;

use App\Models\PairedDevice;
use App\Models\Pairing;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Cookie;

/** The browser of a device that was let in, or waits to be: known by a cookie that it got when it typed the right code. */
final class PairedBrowser
{
    private const COOKIE = 'reel_paired';

    private const DAYS = 180;

    /** A use is noted when the last one noted is older than this. */
    private const USED_SECONDS = 60;

    public static function device(Request $request): ?PairedDevice
    {
        $token = self::token($request);
        /** @var PairedDevice|null $device */
        $device = $token === null ? null : PairedDevice::query()->where('token', self::hash($token))->first();
        if ($device !== null && $device->used_at->lt(now()->subSeconds(self::USED_SECONDS))) {
            $device->update(['used_at' => now()]);
        }

        return $device;
    }

    /** What it has asked for, while nobody has answered. */
    public static function pairing(Request $request): ?Pairing
    {
        $token = self::token($request);

        $pairing = $token === null ? null : Pairing::query()->where('token', self::hash($token))->first();

        return $pairing?->isAsked() === true ? $pairing : null;
    }

    public static function cookie(Request $request, string $token): Cookie
    {
        return Cookie::create(Devices::cookie($request, self::COOKIE), $token, now()->addDays(self::DAYS), '/')
            ->withSecure($request->isSecure())->withHttpOnly()->withSameSite('strict');
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    private static function token(Request $request): ?string
    {
        $token = $request->cookie(Devices::cookie($request, self::COOKIE));

        return is_string($token) && $token !== '' ? $token : null;
    }
}
