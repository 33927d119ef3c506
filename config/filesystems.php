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
        // The framework's own disk would be served under /storage; nothing of ours is.
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false],
    ],
];
