<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** Where a request comes from. */
final class Peer
{
    /** What proxies say of whom they ask for, and of themselves. */
    private const PASSED_ON = [
        'X-Forwarded-For', 'X-Forwarded-Host', 'X-Forwarded-Proto', 'X-Real-Ip', 'Forwarded', 'Via', 'CF-Connecting-IP',
    ];

    /** Bytes of an IPv6 address that tell a household or an office; the rest is chosen at will. */
    private const NETWORK_BYTES = 8;

    /** Whether it is a program on this machine that asks, for itself: what a proxy passes on comes from this machine, too. */
    public static function isThisMachine(Request $request): bool
    {
        $address = $request->server('REMOTE_ADDR');
        $isLoopback = is_string($address) && preg_match('/^(::ffff:)?127\.\d+\.\d+\.\d+$|^::1$/', $address) === 1;

        return $isLoopback && ! self::isPassedOn($request);
    }

    public static function isPassedOn(Request $request): bool
    {
        return array_filter(self::PASSED_ON, fn (string $mark): bool => $request->headers->has($mark)) !== [];
    }

    /** What tries are counted by: an address, or of IPv6 the network it is in. */
    public static function network(Request $request): string
    {
        $packed = @inet_pton((string) $request->ip());

        return match (true) {
            $packed === false => 'nowhere',
            strlen($packed) === 4 => (string) inet_ntop($packed),
            default => inet_ntop(substr($packed, 0, self::NETWORK_BYTES).str_repeat("\0", self::NETWORK_BYTES)).'/64',
        };
    }
}
