<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Web\BodyLimits;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** What is sent is held against what its address takes before anything is made of it. */
final class LimitBodies
{
    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->isMethodSafe()) {
            $told = $request->headers->get('Content-Length');
            $bytes = is_numeric($told) ? (int) $told : strlen($request->getContent());
            if ($bytes > self::most($request)) {
                throw new HttpException(413, BodyLimits::TOO_MUCH);
            }
        }

        return $next($request);
    }

    private static function most(Request $request): int
    {
        foreach (BodyLimits::MOST as $path => $most) {
            if ($request->is($path)) {
                return $most;
            }
        }

        return BodyLimits::OTHERWISE;
    }
}
