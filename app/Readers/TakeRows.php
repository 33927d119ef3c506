<?php

declare(strict_types=1);

namespace App\Readers;

use Illuminate\Support\Facades\DB;

/** Takes as rows, with what is shown of their tracks: a lesson may have thousands. */
final class TakeRows
{
    /**
     * @param  list<string>  $sections  ids
     * @return \Generator<array<string, mixed>> highest number first: the take's columns, `width` and `height` of its camera, and
     *                                          `played_hash`, of what is played back
     */
    public static function of(array $sections): \Generator
    {
        $tracks = fn (string $kind): \Closure => fn ($join) => $join
            ->on("{$kind}.take_id", '=', 'takes.id')
            ->where("{$kind}.kind", $kind);
        $rows = DB::table('takes')
            ->whereIn('takes.section_id', $sections)
            ->leftJoin('tracks as camera', $tracks('camera'))
            ->leftJoin('tracks as microphone', $tracks('microphone'))
            ->orderByDesc('takes.number')
            ->selectRaw(
                'takes.*, camera.width as width, camera.height as height, coalesce(camera.hash, microphone.hash) as played_hash',
            );
        foreach ($rows->get() as $row) {
            yield (array) $row;
        }
    }
}
