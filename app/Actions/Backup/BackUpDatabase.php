<?php

declare(strict_types=1);

namespace App\Actions\Backup;

use App\OperationRejected;

/**
 * Copies the database as it is at one moment, while it is used (SQLite's online backup). A copy is one file, and looked through
 * before it counts.
 */
final class BackUpDatabase
{
    private const PATTERN = '/reel-[0-9]*.sqlite';

    /**
     * @param  int  $keep  how many copies stay in the folder, the newest
     * @return string path of the copy
     *
     * @throws OperationRejected
     */
    public function __invoke(string $folder, int $keep): string
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o700, true)) {
            throw OperationRejected::badInput("The folder {$folder} cannot be made.");
        }
        $copy = rtrim($folder, '/').'/reel-'.now()->format('Ymd-His-v').'.sqlite';
        self::copy((string) config('database.connections.sqlite.database'), "{$copy}.part");
        if (! SqliteFile::isWhole("{$copy}.part")) {
            unlink("{$copy}.part");
            throw OperationRejected::conflict('The database is damaged: this copy of it is not whole. Copies made before are kept.');
        }
        rename("{$copy}.part", $copy);
        $copies = glob(rtrim($folder, '/').self::PATTERN) ?: [];
        array_map(unlink(...), array_slice($copies, 0, max(0, count($copies) - $keep)));

        return $copy;
    }

    private static function copy(string $from, string $to): void
    {
        @unlink($to);
        try {
            SqliteFile::copy($from, $to);
            // All in one file, whatever the source does.
            $target = SqliteFile::open($to);
            $target->exec('PRAGMA journal_mode = DELETE');
            $target->close();
        } catch (\Exception) {
            @unlink($to);
            throw OperationRejected::conflict('The database was not copied. Is there room in the folder, and may this user write there?');
        }
        chmod($to, 0o600);
    }
}
