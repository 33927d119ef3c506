<?php

declare(strict_types=1);

return [
    'default' => 'media',

    'disks' => [
        // Everything recorded, imported and rendered. Never under public/: files are reached only through their owner.
        'media' => [
            'driver' => 'local',
            'root' => env('REEL_MEDIA_ROOT', storage_path('app/media')),
            'throw' => true,
        ],
        // The folder of a course site of one's own, where films are put: on this machine (REEL_SITE_ROOT), or S3-compatible
        // (REEL_SITE_DRIVER=s3). Without either nothing is said of it.
        'site' => [
            'driver' => env('REEL_SITE_DRIVER', 'local'),
            // What presenters know it by, and where viewers find what lies in it.
            'name' => env('REEL_SITE_NAME', 'Site folder'),
            'url' => env('REEL_SITE_URL', ''),
            'root' => env('REEL_SITE_ROOT', ''),
            'bucket' => env('REEL_SITE_BUCKET', ''),
            'key' => env('REEL_SITE_KEY'),
            'secret' => env('REEL_SITE_SECRET'),
            'region' => env('REEL_SITE_REGION', 'us-east-1'),
            'endpoint' => env('REEL_SITE_ENDPOINT'),
            'use_path_style_endpoint' => (bool) env('REEL_SITE_PATH_STYLE', true),
            // Services that speak S3 without being the first to do so do not all know the newer checksums.
            'request_checksum_calculation' => 'when_required',
            'response_checksum_validation' => 'when_required',
            'throw' => true,
        ],
        // The framework's own disk would be served under /storage; nothing of ours is.
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false],
    ],
];
