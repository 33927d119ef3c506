<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\People\CurrentUser;
use App\People\Devices;
use App\People\SessionUserChanged;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Session\SessionManager;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;
use Symfony\Component\HttpFoundation\Response;

/**
 * Where people sign in (REEL_MODE=people) nobody goes on who has not. Where one works alone at this machine there are neither
 * sessions nor cookies.
 */
final class Authenticate
{
    /** For the pages on which one signs in. */
    public const ANYBODY = 'anybody';

    /** The header in which a page says who had signed in when it was opened. */
    public const PAGE_OF = 'X-Open-Reel-Person';

    private const SESSION = [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class];

    public function handle(Request $request, Closure $next, string $who = ''): Response
    {
        if (! CurrentUser::signsIn()) {
            return $next($request);
        }

        app(SessionManager::class)->driver()->setName(Devices::cookie($request, (string) config('session.cookie')));

        return app(Pipeline::class)->send($request)->through(self::SESSION)->then(
            function (Request $request) use ($next, $who): Response {
                if (! Devices::isKnown($request) && $who !== self::ANYBODY) {
                    throw new AuthenticationException(redirectTo: '/sign-in?to='.rawurlencode($request->getRequestUri()));
                }
                self::refuseAnothersPage($request, $who);
                // What is logged says who asked, also for jobs.
                Context::add(CurrentUser::KEY, Auth::id());

                return $next($request);
            },
        );
    }

    /** What one person typed or recorded is not taken from whoever has signed in in their browser since. */
    private static function refuseAnothersPage(Request $request, string $who): void
    {
        $page = $request->header(self::PAGE_OF);
        $person = CurrentUser::asks();
        if ($page !== null && $person !== null && $page !== $person->id && $who !== self::ANYBODY) {
            throw SessionUserChanged::signedIn($person->name);
        }
    }
}
