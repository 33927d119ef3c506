<?php

declare(strict_types=1);

namespace App\Actions\Backup;

use App\OperationRejected;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Brings a copy of the database back. What is there now is copied first. */
final class RestoreDatabase
{
    /** More than anybody restores in a row. */
    private const KEPT = 1000;

    public function __construct(private readonly BackUpDatabase $backUp)
    {
    }

    /**
     * @return string path of a copy of what was there before
     *
     * @throws OperationRejected when the file is no copy of ours, is damaged, or was made by a newer version
     */
    public function __invoke(string $copy): string
    {
        $form = is_file($copy) ? SqliteFile::form($copy) : null;
        if ($form === null || $form === []) {
            throw OperationRejected::badInput("{$copy} is no copy of an Open Reel database.");
        }
        if (! SqliteFile::isWhole($copy)) {
            throw OperationRejected::badInput("{$copy} is damaged. Take another copy.");
        }
        $known = array_map(fn (string $file): string => basename($file, '.php'), glob(database_path('migrations/*.php')) ?: []);
        if (array_diff($form, $known) !== []) {
            throw OperationRejected::badInput("{$copy} was made by a newer Open Reel. Install that first.");
        }
        $live = (string) config('database.connections.sqlite.database');
        $before = ($this->backUp)(dirname($live).'/before-restore', self::KEPT);
        try {
            SqliteFile::copy($copy, $live);
        } catch (\Exception) {
            throw OperationRejected::conflict('The copy was not brought back: the database is busy, or there is no room. It is as it was.');
        }
        DB::purge();
        Artisan::call('migrate', ['--force' => true]);
        // What was ended or used up since the copy was made would be open again: everybody signs in anew, and is invited anew.
        DB::table('devices')->delete();
        DB::table('paired_devices')->delete();
        DB::table('pairings')->delete();
        DB::table('invitations')->delete();
        DB::table('password_reset_tokens')->delete();

        return $before;
    }
}
