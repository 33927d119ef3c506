<?php

declare(strict_types=1);

namespace App\Database;

use PDO;

/**
 * SQLite whose transactions ask for the right to write when they begin. One that begins by reading and writes later
 * cannot wait for another writer (SQLITE_BUSY at once, whatever the time-out); one that begins IMMEDIATE waits its turn.
 *
 * Laravel's `transaction_mode` does the same from PHP 8.4 on, where the driver knows of transactions that it did not begin.
 *
 * @see https://www.sqlite.org/lang_transaction.html
 */
final class ImmediatePdo extends PDO
{
    private bool $isOpen = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE');

        return $this->isOpen = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->isOpen = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->isOpen = false;
        $this->exec('ROLLBACK');

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->isOpen;
    }
}
