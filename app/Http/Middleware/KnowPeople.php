<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;
use Symfony\Component\HttpFoundation\Response;

/**
 * Where people sign in (REEL_MODE=people) nobody goes on who has not. Where one works alone at this machine there are neither
 * sessions nor cookies.
 */
final class KnowPeople
{
    /** For the pages on which one signs in. */
    public const ANYBODY = 'anybody';

    private const SESSION = [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class];

    /** Where a session says with which password it began. */
    private const MARK = 'begun_with';

    public function handle(Request $request, Closure $next, string $who = ''): Response
    {
        if (config('reel.mode') !== 'people') {
            return $next($request);
        }

        return app(Pipeline::class)->send($request)->through(self::SESSION)->then(
            function (Request $request) use ($next, $who): Response {
                if (! self::isKnown($request) && $who !== self::ANYBODY) {
                    throw new AuthenticationException(redirectTo: '/sign-in?to='.rawurlencode($request->getRequestUri()));
                }
                // What is logged says who asked, also for jobs.
                Context::add('person', Auth::id());

                return $next($request);
            },
        );
    }

    /** A session begins, and ends when the password becomes another. */
    public static function begin(Request $request): void
    {
        $request->session()->put(self::MARK, self::mark());
    }

    private static function isKnown(Request $request): bool
    {
        if (! Auth::check()) {
            return false;
        }
        if (Auth::viaRemember()) {
            self::begin($request);
        }
        if (hash_equals(self::mark(), (string) $request->session()->get(self::MARK))) {
            return true;
        }
        Auth::logoutCurrentDevice();
        $request->session()->invalidate();

        return false;
    }

    private static function mark(): string
    {
        return hash_hmac('sha256', (string) Auth::user()?->getAuthPassword(), (string) config('app.key'));
    }
}
