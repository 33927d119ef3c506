<?php

return [
    'default' => 'sqlite',

    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('reel.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Writers queue up instead of failing: recording, ingest and export write at the same time.
            'busy_timeout' => 10_000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
            'transaction_mode' => 'IMMEDIATE',
        ],
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
