<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Models\Version;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Publishing\RetentionCurve;

/** Counts which parts of a film somebody has seen. Who it was is not asked. */
final class CountWatched
{
    /** @param  list<int>  $parts  numbers of parts; those the film does not have are passed over */
    public function __invoke(Version $version, array $parts): void
    {
        $count = RetentionCurve::count($version->export->milliseconds());
        $rows = [];
        foreach (array_unique($parts) as $part) {
            if ($part >= 0 && $part < $count) {
                $rows[] = ['version_id' => $version->id, 'part' => $part, 'times' => 1];
            }
        }
        DB::table('watched')->upsert($rows, ['version_id', 'part'], ['times' => DB::raw('times + 1')]);
    }
}
