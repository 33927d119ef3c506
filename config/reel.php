<?php

declare(strict_types=1);

return [
    // Who works here: `me`, one person at this machine, or `people`, who sign in.
    'mode' => env('REEL_MODE', 'me'),

    // Whether this machine has the database: a worker without one makes pictures and sounds of films, and nothing else.
    'has_database' => (bool) env('REEL_DATABASE', true),

    // Where processes lock each other out: `files` on one machine, `redis` on several.
    'locks' => env('REEL_LOCKS', 'files'),

    // Names that this server goes by, without ports; requests for any other are refused. The names of this machine itself,
    // and the one in APP_URL, unless set.
    'hosts' => array_filter(
        array_map(
            fn (string $host): string => strtolower(trim($host)),
            explode(
                ',',
                (string) env('REEL_HOSTS', 'localhost,127.0.0.1,[::1],'.parse_url((string) env('APP_URL', ''), PHP_URL_HOST)),
            ),
        ),
    ),

    // Where other devices on the same network reach this server, by HTTPS; nothing unless it was started for them (bin/serve --lan).
    'lan' => env('REEL_LAN', ''),

    // Where such a device gets what it needs to trust that, before it does.
    'lan_trust' => env('REEL_LAN_TRUST', ''),

    // The keys and certificates for that.
    'authority' => env('REEL_AUTHORITY', storage_path('app/authority')),

    // Signing in with OpenID Connect, beside passwords: the issuer's address, what this server is called and keeps secret there,
    // what people call it, and whether somebody of whom nobody here has heard may come in.
    'openid' => [
        'issuer' => env('REEL_OPENID_ISSUER', ''),
        'client' => env('REEL_OPENID_CLIENT', ''),
        'secret' => env('REEL_OPENID_SECRET', ''),
        'name' => env('REEL_OPENID_NAME', 'your organisation'),
        'add' => (bool) env('REEL_OPENID_ADD', false),
    ],

    // Who may read /metrics: without a token this machine itself.
    'metrics_token' => env('REEL_METRICS_TOKEN', ''),

    // EBU R128 allows true peaks of at most -1 dBTP. How loud an export is, its house style says.
    'loudness' => ['peak_dbtp' => -1.0],

    // How many encoder processes one export runs side by side.
    'render_slots' => (int) env('REEL_RENDER_SLOTS', 2),

    // Whether a new take is got ready for the film before anybody has kept it, when there is nothing else to do.
    'ahead' => (bool) env('REEL_AHEAD', true),

    // Whether the words of takes are listened for.
    'hear' => (bool) env('REEL_HEAR', true),

    // The rendered pieces that are kept, in bytes: above this, those not used for longest go.
    'cache_bytes' => (int) env('REEL_CACHE_BYTES', 30 * 1024 * 1024 * 1024),

    // Where several machines share a disk: how much of it this one keeps, in bytes.
    'local_bytes' => (int) env('REEL_LOCAL_BYTES', 50 * 1024 * 1024 * 1024),

    // Upload limits in bytes.
    'limits' => [
        'slide_bytes' => 20 * 1024 * 1024,
        'deck_bytes' => 200 * 1024 * 1024,
        'slide_pixels' => 50_000_000,
        'chunk_bytes' => 16 * 1024 * 1024,
        'events_bytes' => 24 * 1024 * 1024,
        // Of one person, all on their way together.
        'archive_bytes' => 64 * 1024 * 1024 * 1024,
        'recording_bytes' => 8 * 1024 * 1024 * 1024,
    ],

    // Recording stops being accepted below this much free space, so that what is already there can still be finished.
    'reserve_bytes' => (int) env('REEL_RESERVE_BYTES', 200 * 1024 * 1024),

    'programs' => [
        'ffmpeg' => env('REEL_FFMPEG', 'ffmpeg'),
        'ffprobe' => env('REEL_FFPROBE', 'ffprobe'),
        'sox' => env('REEL_SOX', 'sox'),
        'office' => env('REEL_OFFICE', 'soffice'),
        'voice' => env('REEL_VOICE', 'flite'),
        'reference_voice' => env('REEL_REFERENCE_VOICE', 'espeak-ng'),
    ],
];
