<?php

declare(strict_types=1);

return [
    // Only people who sign in have sessions (REEL_MODE=people).
    'driver' => env('REEL_SESSIONS', 'file'),
    'lifetime' => 12 * 60,
    'expire_on_close' => true,
    'cookie' => 'reel_session',
    'same_site' => 'lax',
    'http_only' => true,
    // Sent over HTTPS only, where a request came by it.
    'secure' => null,
];
