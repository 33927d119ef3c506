<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Another web site open in the same browser must not change anything here. */
final class RefuseOtherSites
{
    public function handle(Request $request, Closure $next): Response
    {
        $from = $request->headers->get('Sec-Fetch-Site', 'same-origin');
        abort_if(! $request->isMethodSafe() && ! in_array($from, ['same-origin', 'none'], true), 403, 'Only this application\'s own pages may change things here.');

        return $next($request);
    }
}
