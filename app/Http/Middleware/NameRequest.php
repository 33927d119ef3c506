<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/**
 * Gives each request a name, or takes the one that a proxy has given it. Whatever is logged for it says that name, also by jobs
 * that it has asked for; and whoever meets a fault can tell it.
 */
final class NameRequest
{
    public const KEY = 'request';

    private const HEADER = 'X-Request-Id';

    public function handle(Request $request, Closure $next): Response
    {
        $given = (string) $request->headers->get(self::HEADER);
        $name = preg_match('/^[A-Za-z0-9._-]{8,64}$/D', $given) === 1 ? $given : strtolower((string) Str::ulid());
        Context::add(self::KEY, $name);
        $response = $next($request);
        $response->headers->set(self::HEADER, $name);

        return $response;
    }
}
