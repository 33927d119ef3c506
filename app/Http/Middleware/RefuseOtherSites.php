<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Another web site open in the same browser must neither read nor change anything here. A site whose name is made to lead to
 * this machine is not called by a name of ours; a page of another site is told by what the browser says of where a request
 * comes from; and where the browser says nothing, only our own pages know the header.
 */
final class RefuseOtherSites
{
    /**
     * Sent with every call by the interface. A page of another site cannot set it without being asked first (CORS), and is
     * never allowed to.
     */
    public const HEADER = 'X-Open-Reel';

    /** Names by which nobody but a program on this machine reaches it. */
    public const THIS_MACHINE = ['localhost', '127.0.0.1', '[::1]'];

    public function handle(Request $request, Closure $next): Response
    {
        $host = strtolower($request->getHost());
        abort_unless(
            in_array($host, (array) config('reel.hosts'), true),
            421,
            'This server does not go by that name. Whoever runs Open Reel can add it (REEL_HOSTS).',
        );
        abort_unless(
            config('reel.mode') === 'people' || in_array($host, self::THIS_MACHINE, true),
            421,
            'This server is for one person at its own machine. Whoever runs it can let people sign in (REEL_MODE=people).',
        );
        abort_unless(
            $request->isMethodSafe() || self::isOurOwn($request),
            403,
            'Only this application\'s own pages may change things here.',
        );

        return $next($request);
    }

    private static function isOurOwn(Request $request): bool
    {
        $from = $request->headers->get('Sec-Fetch-Site');
        $origin = $request->headers->get('Origin');

        return match (true) {
            $from !== null => in_array($from, ['same-origin', 'none'], true),
            $origin !== null => $origin === $request->getSchemeAndHttpHost() || self::hostOf($origin) === $request->getHttpHost(),
            default => ($request->headers->get(self::HEADER) ?? '') !== '',
        };
    }

    /** The scheme does not count: a proxy before us may have ended HTTPS. */
    private static function hostOf(string $origin): string
    {
        return (string) preg_replace('#^https?://#', '', $origin);
    }
}
