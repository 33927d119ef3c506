<?php

declare(strict_types=1);

namespace App\Web;

/** What answers say to the browser unless they say so themselves. */
final class DefaultHeaders
{
    /** Take it for what it is called; other sites have no use for it. Also of files that the web server sends by itself. */
    public const OF_FILES = [
        'X-Content-Type-Options' => 'nosniff',
        'Referrer-Policy' => 'same-origin',
        'Cross-Origin-Resource-Policy' => 'same-origin',
    ];

    /** Run nothing, show it in no frame. */
    public const OF_ANSWERS = [
        'Content-Security-Policy' => "default-src 'none'; frame-ancestors 'none'",
    ] + self::OF_FILES;
}
