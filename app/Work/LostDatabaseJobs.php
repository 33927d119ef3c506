<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Support\Facades\DB;

/** Jobs in the database's queue whose worker died: they are reserved, and nobody holds their lock. */
final class LostDatabaseJobs
{
    /** @return iterable<LostJob> reserved for longer than so many seconds */
    public static function reserved(int $seconds): iterable
    {
        $rows = DB::table('jobs')->whereNotNull('reserved_at')->where('reserved_at', '<=', time() - $seconds)->get();
        foreach ($rows as $row) {
            $reserved = fn () => DB::table('jobs')->where('id', $row->id)->where('reserved_at', $row->reserved_at);
            yield new LostJob(
                (array) json_decode($row->payload, true),
                fn (array $payload): bool => $reserved()->update([
                    'reserved_at' => null, 'payload' => json_encode($payload),
                ]) === 1,
                fn (): bool => $reserved()->delete() === 1,
            );
        }
    }
}
