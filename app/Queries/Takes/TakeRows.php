<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** Takes as rows, with what is shown of their tracks: a lesson may have thousands, and a model for each takes long. */
final class TakeRows
{
    private const TAKE = [
        'id', 'section_id', 'recorded_in', 'number', 'state', 'verdict', 'problem', 'recording_kept', 'trim', 'cuts', 'silences',
        'cleaning', 'marker_notes', 'adjustment', 'framing', 'area', 'kept_order', 'created_at',
    ];

    /** Of what was found out, without when lines begin. */
    public const SUMMARY = [
        'length_ticks', 'speech_from', 'speech_until', 'used', 'flags', 'spoken', 'flawed', 'retakes', 'omitted', 'tightened',
        'markers', 'alignment',
    ];

    /**
     * @param  list<string>  $sections  ids
     * @return list<array<string, mixed>> lowest number first: the take's columns without its words, `width` and `height` of its
     *    camera, and `played_hash`, of what is played back
     */
    public static function of(array $sections): array
    {
        $tracks = fn (string $kind): \Closure => fn (JoinClause $join) => $join
            ->on("{$kind}.take_id", '=', 'takes.id')
            ->where("{$kind}.kind", $kind);
        $of = fn (string $table, array $columns): string => implode(
            ', ', array_map(fn (string $c): string => "{$table}.{$c}", $columns),
        );
        $columns = $of('takes', self::TAKE).', '.$of('take_summaries', self::SUMMARY);
        $rows = DB::table('takes')
            ->join('take_summaries', 'take_summaries.take_id', '=', 'takes.id')
            ->whereIn('takes.section_id', $sections)
            ->leftJoin('tracks as camera', $tracks('camera'))
            ->leftJoin('tracks as microphone', $tracks('microphone'))
            ->leftJoin('tracks as screen', $tracks('screen'))
            ->orderBy('takes.number')
            ->selectRaw(
                "{$columns}, camera.width, camera.height, coalesce(camera.hash, microphone.hash, screen.hash) as played_hash, ".
                    'coalesce(camera.offset_ticks, microphone.offset_ticks, screen.offset_ticks) as played_offset, '.
                    'screen.width as screen_width, screen.height as screen_height, screen.hash as screen_hash, '.
                    'screen.offset_ticks as screen_offset, microphone.loudness as loudness',
            );

        return array_values(array_map(fn (\stdClass $row): array => (array) $row, $rows->get()->all()));
    }

    /**
     * The takes of sections by what decides which of them stand beside the words: all of them.
     *
     * @param  list<string>  $sections  ids
     * @return list<\stdClass> `id`, `section_id`, `number`, `verdict`, `state`; highest number first
     */
    public static function index(array $sections): array
    {
        $takes = DB::table('takes')->whereIn('section_id', $sections)->orderByDesc('number');

        return array_values($takes->get(['id', 'section_id', 'number', 'verdict', 'state'])->all());
    }

    /**
     * @param  list<string>  $ids  of takes
     * @return list<array<string, mixed>> lowest number first: what a glance shows, what coverage asks for (see
     *    `TakeViews::ofSummary`), `played_hash` of what is played back and `width` of the camera's picture
     */
    public static function glances(array $ids): array
    {
        $track = fn (string $kind): \Closure => fn (JoinClause $join) => $join
            ->on("{$kind}.take_id", '=', 'takes.id')
            ->where("{$kind}.kind", $kind);
        $rows = DB::table('takes')
            ->join('take_summaries', 'take_summaries.take_id', '=', 'takes.id')
            ->leftJoin('tracks as camera', $track('camera'))
            ->leftJoin('tracks as microphone', $track('microphone'))
            ->leftJoin('tracks as screen', $track('screen'))
            ->whereIn('takes.id', $ids)
            ->orderBy('takes.number')
            ->get([
                ...TakeViews::LIGHT, 'take_summaries.alignment', 'camera.width',
                DB::raw('coalesce(camera.hash, microphone.hash, screen.hash) as played_hash'),
            ]);

        return array_values(array_map(fn (\stdClass $row): array => (array) $row, $rows->all()));
    }

    /**
     * What takes say, and when: much to read, and asked for of few.
     *
     * @param  list<string>  $ids
     * @return array<string, array{lines: string, starts: string, repeated: string, cut_points: string}> by id, as JSON
     */
    public static function words(array $ids): array
    {
        $words = [];
        foreach (
            DB::table('takes')
                ->join('take_summaries', 'take_summaries.take_id', '=', 'takes.id')
                ->whereIn('id', $ids)
                ->get(['id', 'lines', 'starts', 'repeated', 'cut_points']) as $row
        ) {
            $words[$row->id] = [
                'lines' => $row->lines,
                'starts' => $row->starts,
                'repeated' => $row->repeated,
                'cut_points' => $row->cut_points,
            ];
        }

        return $words;
    }
}
