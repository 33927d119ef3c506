<?php

declare(strict_types=1);

namespace App\Actions\Backup;

/** A database file, opened beside whoever uses it. */
final class SqliteFile
{
    private const BUSY_MS = 20_000;

    /** @throws \Exception when it cannot be opened */
    public static function open(string $path, int $flags = SQLITE3_OPEN_READWRITE | SQLITE3_OPEN_CREATE): \SQLite3
    {
        $file = new \SQLite3($path, $flags);
        $file->enableExceptions(true);
        $file->busyTimeout(self::BUSY_MS);

        return $file;
    }

    /**
     * Makes one database what another is, in one transaction: whoever has it open sees the one or the other.
     *
     * @throws \Exception when one of them cannot be opened, is held by somebody else for too long, or there is no room
     */
    public static function copy(string $from, string $to): void
    {
        $source = self::open($from, SQLITE3_OPEN_READONLY);
        $target = self::open($to);
        $isWhole = $source->backup($target);
        $target->close();
        $source->close();
        if (! $isWhole) {
            throw new \RuntimeException("{$from} was not copied to {$to}");
        }
    }

    /** Whether SQLite finds nothing wrong with it. */
    public static function isWhole(string $path): bool
    {
        try {
            $file = self::open($path, SQLITE3_OPEN_READONLY);
            $said = $file->querySingle('PRAGMA quick_check(1)');
            $file->close();
        } catch (\Exception) {
            return false;
        }

        return $said === 'ok';
    }

    /** @return list<string>|null names of the steps by which its form came about; null when it is no database of ours */
    public static function form(string $path): ?array
    {
        try {
            $file = self::open($path, SQLITE3_OPEN_READONLY);
            $rows = $file->query('SELECT migration FROM migrations ORDER BY id');
            $names = [];
            while ($rows instanceof \SQLite3Result && is_array($row = $rows->fetchArray(SQLITE3_NUM))) {
                $names[] = (string) $row[0];
            }
            $file->close();
        } catch (\Exception) {
            return null;
        }

        return $names;
    }
}
