<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** What is sent is held against what its address takes before anything is made of it: a comment is no archive. */
final class LimitBodies
{
    private const SMALL = 64 * 1024;

    /** A script has half a million characters of up to four bytes, which JSON may write in six each. */
    private const LARGE = 4 * 1024 * 1024;

    /** By the beginning of an address; the first that is meant counts. */
    private const MOST = [
        'watch/*' => self::SMALL,
        'sign-*' => self::SMALL,
        'forgotten*' => self::SMALL,
        'invited/*' => self::SMALL,
        'account*' => self::SMALL,
        'api/archives/*/chunks/*' => self::FILE,
        'api/tracks/*/chunks/*' => self::FILE,
        'api/takes/*/events/*' => 25 * 1024 * 1024,
        'api/lessons/*/slides' => self::FILE,
        'api/slides/*/picture' => self::FILE,
        'api/lessons/*/music' => self::FILE,
        'api/courses/*/logos' => self::FILE,
        'api/read-script' => self::FILE,
        'api/lessons/*/translations/*/file' => self::FILE,
        'api/lessons/*/here/*' => self::SMALL,
        '*' => self::LARGE,
    ];

    /** Of these the web server and what reads them have the say. */
    private const FILE = 512 * 1024 * 1024;

    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->isMethodSafe()) {
            $told = $request->headers->get('Content-Length');
            $bytes = is_numeric($told) ? (int) $told : strlen($request->getContent());
            if ($bytes > self::most($request)) {
                throw new HttpException(413, 'That is more than the server takes at once.');
            }
        }

        return $next($request);
    }

    private static function most(Request $request): int
    {
        foreach (self::MOST as $path => $most) {
            if ($request->is($path)) {
                return $most;
            }
        }

        return self::LARGE;
    }
}
