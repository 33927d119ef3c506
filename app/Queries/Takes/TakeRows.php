<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use Illuminate\Support\Facades\DB;

/** Takes as rows, with what is shown of their tracks: a lesson may have thousands, and a model for each takes long. */
final class TakeRows
{
    private const COLUMNS = [
        'id',
        'section_id',
        'recorded_in',
        'number',
        'state',
        'verdict',
        'problem',
        'recording_kept',
        'length_ticks',
        'speech_from',
        'speech_until',
        'used',
        'fluffs',
        'left',
        'cuts',
        'tightened',
        'flawed',
        'silences',
        'cleaning',
        'spoken',
        'hearing',
        'markers',
        'adjustment',
        'framing',
        'area',
        'flags',
        'kept_order',
        'created_at',
    ];

    /**
     * @param  list<string>  $sections  ids
     * @return list<array<string, mixed>> highest number first: the take's columns without its words, `width` and `height` of its
     *    camera, and `played_hash`, of what is played back
     */
    public static function of(array $sections): array
    {
        $tracks = fn (string $kind): \Closure => fn ($join) => $join
            ->on("{$kind}.take_id", '=', 'takes.id')
            ->where("{$kind}.kind", $kind);
        $columns = implode(', ', array_map(fn (string $c): string => "takes.{$c}", self::COLUMNS));
        $rows = DB::table('takes')
            ->whereIn('takes.section_id', $sections)
            ->leftJoin('tracks as camera', $tracks('camera'))
            ->leftJoin('tracks as microphone', $tracks('microphone'))
            ->leftJoin('tracks as screen', $tracks('screen'))
            ->orderByDesc('takes.number')
            ->selectRaw(
                "{$columns}, camera.width, camera.height, coalesce(camera.hash, microphone.hash, screen.hash) as played_hash, ".
                    'coalesce(camera.offset_ticks, microphone.offset_ticks, screen.offset_ticks) as played_offset, '.
                    'screen.width as screen_width, screen.height as screen_height, screen.hash as screen_hash, '.
                    'screen.offset_ticks as screen_offset, microphone.loudness as loudness',
            );

        return array_values(array_map(fn (\stdClass $row): array => (array) $row, $rows->get()->all()));
    }

    /**
     * What takes say, and when: much to read, and asked for of few.
     *
     * @param  list<string>  $ids
     * @return array<string, array{lines: string, line_ticks: string, cut_ticks: string, heard: string|null}> by id, as JSON
     */
    public static function words(array $ids): array
    {
        $words = [];
        foreach (
            DB::table('takes')
                ->whereIn('id', $ids)
                ->get(['id', 'lines', 'line_ticks', 'cut_ticks', 'heard']) as $row
        ) {
            $words[$row->id] = [
                'lines' => $row->lines,
                'line_ticks' => $row->line_ticks,
                'cut_ticks' => $row->cut_ticks,
                'heard' => $row->heard,
            ];
        }

        return $words;
    }
}
