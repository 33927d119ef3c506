<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\SQLiteConnector as FrameworkConnector;

/** Opens SQLite so that writers queue up instead of failing. */
final class SqliteConnector extends FrameworkConnector
{
    /**
     * @param  string  $dsn
     * @param  string|null  $username
     * @param  string|null  $password
     * @param  array<int, mixed>  $options
     */
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): ImmediatePdo
    {
        return new ImmediatePdo($dsn, $username, $password, $options);
    }
}
