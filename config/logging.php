<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;

return [
    'channels' => [
        // For programs that gather logs: a row of JSON each, with the request and the job under `extra`.
        'json' => [
            'driver' => 'daily',
            'path' => storage_path('logs/reel.jsonl'),
            'level' => env('LOG_LEVEL', 'info'),
            'days' => 14,
            'formatter' => JsonFormatter::class,
        ],
    ],
];
