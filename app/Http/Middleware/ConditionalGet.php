<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What is asked for again and again, and is the same as before, need not be sent again: an answer has the hash of what it says as
 * its ETag, and browsers ask whether that still holds (RFC 9110, 13.1.2).
 */
final class ConditionalGet
{
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if ($request->isMethod('GET') && $response instanceof JsonResponse && $response->isSuccessful()) {
            $response->setEtag(hash('xxh128', (string) $response->getContent()));
            // Kept for whoever asked, and never shown without asking.
            $response->headers->set('Cache-Control', 'private, no-cache');
            $response->headers->set('Vary', 'Cookie');
            $response->isNotModified($request);
        }

        return $response;
    }
}
