<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Take;
use App\Models\Track;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\RecordedTake;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeEdits;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/** Takes as the core sees them, read from their rows: a lesson may have thousands, and a model for each takes long. */
final class TakeViews
{
    /** What `light` asks for, of takes joined with their summaries. */
    public const LIGHT = [
        'takes.id', 'takes.section_id', 'takes.number', 'takes.state', 'takes.verdict', 'takes.kept_order', 'takes.lines',
        'take_summaries.length_ticks', 'take_summaries.used', 'take_summaries.spoken', 'take_summaries.cut_points',
        'take_summaries.flawed', 'take_summaries.flags',
    ];

    /** Everything of a take. */
    public static function of(Take $take, ?TakeFindings $found = null): TakeView
    {
        return self::from(
            $take->getAttributes(),
            array_values($take->tracks->map(fn (Track $t): array => $t->getAttributes())->all()),
            $found ?? TakeFindings::of($take),
            LessonStyle::of($take->lesson()),
        );
    }

    /**
     * Everything of takes of one lesson.
     *
     * @param  list<string>  $ids
     * @param  HouseStyle  $style  the lesson's
     * @return array{array<string, TakeView>, array<string, string>} by id; and where the files of their tracks lie on the media
     *    disk, by hash
     */
    public static function many(array $ids, HouseStyle $style): array
    {
        $tracks = $files = [];
        foreach (DB::table('tracks')->whereIn('take_id', $ids)->get() as $row) {
            $tracks[$row->take_id][] = (array) $row;
            if ($row->file_path !== null) {
                $files[$row->hash] = $row->file_path;
            }
        }
        $rows = DB::table('takes')->whereIn('id', $ids)->get()->keyBy('id')->all();
        $found = TakeFindings::ofMany($rows, $tracks, $style->language);
        $views = [];
        foreach ($rows as $id => $row) {
            $views[$id] = self::from((array) $row, $tracks[$id] ?? [], $found[$id], $style);
        }

        return [$views, $files];
    }

    /**
     * How takes stand, without what is seen and heard in them and without when their lines begin: for coverage.
     *
     * @param  callable(Builder): mixed  $which  narrows `takes`
     * @return list<TakeView>
     */
    public static function light(callable $which): array
    {
        $query = DB::table('takes')->join('take_summaries', 'take_summaries.take_id', '=', 'takes.id');
        $which($query);

        return array_values(array_map(
            fn (\stdClass $row): TakeView => self::ofSummary((array) $row), $query->get(self::LIGHT)->all(),
        ));
    }

    /**
     * @param  array<string, mixed>  $row  with the columns of LIGHT; without `lines` it says nothing
     * @param  bool  $isCutOff  its recorder is not heard of any more
     */
    public static function ofSummary(array $row, bool $isCutOff = false): TakeView
    {
        $json = fn (string $column): array => in_array($row[$column] ?? '[]', ['[]', '{}'], true)
            ? []
            : (array) json_decode($row[$column], true);
        $spoken = ($row['spoken'] ?? null) === null ? null : array_values($json('spoken'));

        return new TakeView(
            $row['id'],
            $row['section_id'],
            (int) $row['number'],
            Tick::of((int) $row['length_ticks']),
            TakeState::from($row['state']),
            Verdict::from($row['verdict']),
            (int) $row['kept_order'],
            Spans::ofPairs($json('used')),
            self::lines($json('lines'), $spoken),
            new LineTimings(cuts: array_map(fn (int $t): Tick => Tick::of($t), $json('cut_points'))),
            array_fill_keys($json('flawed'), true),
            array_values($json('flags')),
            isCutOff: $isCutOff,
        );
    }

    /**
     * @param  array<array{id: string, text?: string}>  $lines
     * @param  list<string>|null  $spoken  ids, in order; null: all of them
     * @return list<SpokenLine>
     */
    private static function lines(array $lines, ?array $spoken): array
    {
        $byId = [];
        foreach ($lines as $line) {
            $byId[(string) $line['id']] = new SpokenLine((string) $line['id'], (string) ($line['text'] ?? ''));
        }

        return $spoken === null
            ? array_values($byId)
            : array_values(array_filter(array_map(fn (string $id): ?SpokenLine => $byId[$id] ?? null, $spoken)));
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  list<array<string, mixed>>  $tracks
     */
    private static function from(array $row, array $tracks, TakeFindings $found, HouseStyle $style): TakeView
    {
        $withFiles = array_values(array_filter($tracks, fn (array $t): bool => $t['file_path'] !== null));
        $take = new RecordedTake(
            $row['id'],
            $row['section_id'],
            (int) $row['number'],
            TakeState::from($row['state']),
            self::lines((array) json_decode($row['lines'] ?? '[]', true), null),
            (int) ($row['silence_ms'] ?? 0),
            array_map(self::track(...), $withFiles),
        );

        return TakeView::of($take, $found->ingest, $found->alignment, $found->analysis, self::edits($row, $style));
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  HouseStyle  $style  its lesson's
     */
    public static function edits(array $row, HouseStyle $style): TakeEdits
    {
        $json = fn (string $column): ?array => json_decode($row[$column] ?? 'null', true);
        $trim = $json('trim');
        $cleaning = $json('cleaning');

        return new TakeEdits(
            Verdict::from($row['verdict'] ?? Verdict::Undecided->value),
            (int) ($row['kept_order'] ?? 0),
            $trim === null ? null : Spans::ofPairs($trim),
            Spans::ofPairs($json('cuts') ?? []),
            Spans::ofPairs($json('silences') ?? []),
            Crop::parse($json('framing')),
            Crop::parse($json('area')),
            Adjustment::parse($json('adjustment')),
            $cleaning === null ? null : Cleaning::parse($cleaning),
            $style->cleaning,
            $style->longestPause,
        );
    }

    /** @param  array<string, mixed>  $row */
    private static function track(array $row): RecordedTrack
    {
        $isPicture = $row['width'] !== null && $row['height'] !== null;

        return new RecordedTrack(
            TrackKind::from($row['kind']),
            (string) $row['hash'],
            Tick::of((int) $row['length_ticks']),
            Tick::of(max(0, (int) $row['offset_ticks'])),
            $isPicture ? Shape::of((int) $row['width'], (int) $row['height']) : null,
            $isPicture ? SourceColour::tagged($row['colour_range'], $row['colour_matrix'], (int) $row['height']) : null,
            $row['loudness'] === null ? null : (float) $row['loudness'],
            $row['peak'] === null ? null : (float) $row['peak'],
            Tick::of(max(0, -(int) $row['offset_ticks'])),
        );
    }
}
