<?php

declare(strict_types=1);

// Any service that speaks S3; those that do without being the first to do so do not all know the newer checksums.
$s3 = fn (string $name): array => [
    'bucket' => env("REEL_{$name}_BUCKET", ''),
    'key' => env("REEL_{$name}_KEY"),
    'secret' => env("REEL_{$name}_SECRET"),
    'region' => env("REEL_{$name}_REGION", 'us-east-1'),
    'endpoint' => env("REEL_{$name}_ENDPOINT"),
    'use_path_style_endpoint' => (bool) env("REEL_{$name}_PATH_STYLE", true),
    'request_checksum_calculation' => 'when_required',
    'response_checksum_validation' => 'when_required',
    'throw' => true,
];

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
        ] + $s3('SITE'),
        // What several machines share (REEL_SHARED_DRIVER=s3, or local for a folder that all of them see); without it the media
        // disk is all there is.
        'shared' => [
            'driver' => env('REEL_SHARED_DRIVER', ''),
            'root' => env('REEL_SHARED_ROOT', ''),
            // Large files go through without being held; a server that is away is found out soon.
            'stream_reads' => true,
            'retries' => 1,
            'http' => ['connect_timeout' => 2, 'read_timeout' => 20],
        ] + $s3('SHARED'),
        // The framework's own disk would be served under /storage; nothing of ours is.
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false],
    ],
];
