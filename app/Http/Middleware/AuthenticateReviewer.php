<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Publication;
use App\People\CurrentUser;
use App\People\Memberships;
use Closure;
use Illuminate\Http\Request;
use OpenReel\Core\People\Right;
use Symfony\Component\HttpFoundation\Response;

/**
 * A draft is for those who take part in its lesson, and have signed in; unless somebody who may publish has opened its link to
 * everybody who has it.
 */
final class AuthenticateReviewer
{
    public function __construct(private readonly Authenticate $people)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $token = $request->route('token');
        $draft = Publication::query()->where('token', is_string($token) ? $token : '')->where('for_review', true)->first();
        if ($draft === null || $draft->open_to_links || ! CurrentUser::signsIn()) {
            return $next($request);
        }

        return $this->people->handle($request, function (Request $request) use ($draft, $next): Response {
            abort_unless(Memberships::may(Right::See, $draft->lesson), 404);

            return $next($request);
        });
    }
}
