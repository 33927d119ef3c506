<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',

    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('reel.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Writers queue up instead of failing (App\Database\ImmediatePdo): recording, ingest and export write at the same
            // time.
            'busy_timeout' => 20_000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
        ],
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
