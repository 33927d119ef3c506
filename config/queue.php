<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),

    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'table' => 'jobs',
            'queue' => 'default',
            // A job whose worker was killed is handed out again after this many seconds. Jobs that run longer are
            // guarded by App\Media\WorkLock, so a second worker steps back while the first is alive.
            'retry_after' => 60,
            'after_commit' => true,
        ],
        'redis' => [
            'driver' => 'redis',
            'connection' => 'default',
            'queue' => 'default',
            'retry_after' => 60,
            'block_for' => null,
            'after_commit' => true,
        ],
    ],

    // A worker without the database keeps none: its jobs are handed out again.
    'failed' => [
        'driver' => env('REEL_DATABASE', true) ? 'database-uuids' : 'null', 'database' => 'sqlite', 'table' => 'failed_jobs',
    ],
];
