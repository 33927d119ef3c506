<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Peer;
use App\People\OwnAddress;
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

    public function handle(Request $request, Closure $next): Response
    {
        abort_if(preg_match('/[\x00-\x1f\x7f]/', rawurldecode($request->getPathInfo())) === 1, 400, 'There is no such address.');
        abort_unless(
            self::isOurName($request),
            421,
            'This server does not go by that name. Whoever runs Open Reel can add it (REEL_HOSTS).',
        );
        if (config('reel.mode') !== 'people' && $request->is('/') && self::isOther($request)) {
            return redirect('/device');
        }
        abort_unless(
            config('reel.mode') === 'people' || self::isAlone($request) || self::isOnDevicePage($request),
            421,
            'This server is for one person at its own machine. Whoever runs it can let people sign in (REEL_MODE=people).',
        );
        abort_unless(
            $request->isMethodSafe() || self::isOurOwn($request),
            403,
            'Only this application\'s own pages may change things here.',
        );
        // Looking can be work, too: no other site has this machine draw or pack something.
        abort_unless(
            ! $request->is('api/*') || self::mayAsk($request),
            403,
            'Only this application\'s own pages may ask for this.',
        );

        return $next($request);
    }

    /** A name may come with a port: of another one on the same host somebody else may have the say. */
    private static function isOurName(Request $request): bool
    {
        $names = (array) config('reel.hosts');
        $host = strtolower($request->getHost());
        $ports = [80, 443, (int) parse_url(OwnAddress::root(), PHP_URL_PORT)];

        return in_array("{$host}:{$request->getPort()}", $names, true) || (in_array($host, $names, true)
            && (in_array($host, OwnAddress::THIS_MACHINE, true) || in_array($request->getPort(), $ports, true)));
    }

    /** Whoever is at this machine, whatever name a request says: a name costs nothing. */
    private static function isAlone(Request $request): bool
    {
        return in_array(strtolower($request->getHost()), OwnAddress::THIS_MACHINE, true) && Peer::isThisMachine($request);
    }

    /** Other devices get no further than the page on which they ask to be let in, and follow the room once they are. */
    private static function isOnDevicePage(Request $request): bool
    {
        return $request->is('device', 'device/*') && self::isOther($request);
    }

    /** Another device on the same network, where the server was started for them. */
    private static function isOther(Request $request): bool
    {
        return config('reel.lan') !== '' && ! Peer::isThisMachine($request) && ! Peer::isPassedOn($request);
    }

    private static function mayAsk(Request $request): bool
    {
        return in_array($request->headers->get('Sec-Fetch-Site'), [null, 'same-origin', 'none'], true);
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
