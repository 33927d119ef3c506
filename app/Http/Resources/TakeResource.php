<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Section;
use App\Models\Take;
use App\Models\Track;
use App\Queries\Takes\TakeRows;
use App\Queries\Takes\TakesBeside;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Collection;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;

/** @mixin Take */
final class TakeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $camera = $this->resource->track(TrackKind::Camera);
        $screen = $this->resource->track(TrackKind::Screen);

        return self::row(
            [
                'width' => $camera?->width,
                'height' => $camera?->height,
                'played_hash' => $this->resource->played()?->hash,
                'screen_width' => $screen?->width,
                'screen_height' => $screen?->height,
                'loudness' => $this->resource->track(TrackKind::Microphone)?->loudness,
                'screen_hash' => $screen?->hash,
                'screen_offset' => $screen?->offset_ticks,
                'played_offset' => $this->resource->played()?->offset_ticks,
            ] +
                $this->resource->getAttributes() + $this->resource->summary->getAttributes(),
            $this->state === TakeState::Recording ? array_values($this->tracks->all()) : [],
            isset(TakesBeside::cutOff($this->state === TakeState::Recording ? [$this->id] : [])[$this->id]),
        );
    }

    /**
     * Made from the row as it is in the database: a lesson may have thousands of takes, and a model for each would take
     * longer than everything else together.
     *
     * @param  array<string, mixed>  $row  of the take, with `width` and `height` of its camera and `played_hash`, of what is
     *    played
     * @param  list<Track>  $tracks  needed while it is recorded
     * @param  bool  $isCutOff  its recorder is not heard of any more
     * @return array<string, mixed>
     */
    public static function row(array $row, array $tracks, bool $isCutOff): array
    {
        $id = $row['id'];
        [$from, $until] = self::used($row);
        $hasPicture = $row['width'] !== null;

        return [
            'id' => $id,
            'section_id' => $row['section_id'],
            'number' => (int) $row['number'],
            'recorded_in' => $row['recorded_in'] ?? $row['section_id'],
            'lines' => self::lines($row),
            'state' => $row['state'],
            'cut_off' => $isCutOff,
            'verdict' => $row['verdict'],
            'problem' => $row['problem'] ?? null,
            'recording_kept' => (bool) ($row['recording_kept'] ?? true),
            'length_ms' => self::milliseconds($row['length_ticks']),
            'used_from_ms' => self::milliseconds($from),
            'used_until_ms' => self::milliseconds($until),
            'trimmed_by_hand' => ($row['trim'] ?? null) !== null,
            'flags' => $row['flags'] === '[]' ? [] : json_decode($row['flags'], true),
            'camera' => $hasPicture ? ['width' => (int) $row['width'], 'height' => (int) $row['height']] : null,
            'screen' => self::screen($row),
            'adjustment' => json_decode($row['adjustment'] ?? 'null', true),
            'framing' => json_decode($row['framing'] ?? 'null', true),
            'area' => json_decode($row['area'] ?? 'null', true),
            'retakes' => self::stretches($row['retakes'] ?? '[]'),
            'alignment' => self::alignment($row),
            'loudness' => isset($row['loudness']) ? round((float) $row['loudness'], 1) : null,
            'omitted' => self::stretches($row['omitted'] ?? '[]'),
            'cuts' => self::stretches($row['cuts'] ?? '[]'),
            'silences' => self::stretches($row['silences'] ?? '[]'),
            'tightened' => self::stretches($row['tightened'] ?? '[]'),
            'cleaning' => json_decode($row['cleaning'] ?? 'null', true),
            'markers' => self::markers($row),
            'media_url' => self::mediaUrl($row),
            'poster_url' => $hasPicture ? "/api/takes/{$id}/poster" : null,
            'recorded_at' => str_replace(' ', 'T', $row['created_at']).'Z',
            'tracks' => array_map(
                fn (Track $t): array => ['id' => $t->id, 'kind' => $t->kind->value, 'next_chunk' => $t->next_chunk],
                $tracks,
            ),
        ];
    }

    /**
     * All takes of a section.
     *
     * @return list<array<string, mixed>> lowest number first
     */
    public static function ofSection(Section $section): array
    {
        $rows = TakeRows::of([$section->id]);
        $recording = array_column(array_filter($rows, fn (array $r): bool => $r['state'] === TakeState::Recording->value), 'id');
        /** @var Collection<int, Track> $tracks */
        $tracks = Track::query()->whereIn('take_id', $recording)->get();
        $cutOff = TakesBeside::cutOff($recording);
        $words = TakeRows::words(array_column($rows, 'id'));

        return array_map(fn (array $row): array => self::row(
            $row + ($words[$row['id']] ?? []),
            array_values($tracks->where('take_id', $row['id'])->all()),
            isset($cutOff[$row['id']]),
        ), $rows);
    }

    /**
     * A take as it stands beside the words of its section.
     *
     * @param  array<string, mixed>  $row  as `TakeRows::glances` gives it
     * @return array<string, mixed>
     */
    public static function glance(array $row): array
    {
        return [
            'id' => $row['id'],
            'section_id' => $row['section_id'],
            'number' => (int) $row['number'],
            'state' => $row['state'],
            'verdict' => $row['verdict'],
            'alignment' => self::alignment($row),
            'lines' => array_column((array) json_decode($row['lines'], true), 'id'),
            'media_url' => self::mediaUrl($row),
            'poster_url' => $row['width'] === null ? null : "/api/takes/{$row['id']}/poster",
        ];
    }

    /** @param  array<string, mixed>  $row */
    private static function alignment(array $row): ?string
    {
        return $row['alignment'] ?? (config('reel.hear') ? null : 'nothing');
    }

    /** @param  array<string, mixed>  $row */
    private static function mediaUrl(array $row): string
    {
        return "/api/takes/{$row['id']}/media?v=".substr($row['played_hash'] ?? $row['state'], 0, 8);
    }

    /**
     * From the start of the first stretch that is used to the end of the last: see OpenReel\Core\Take\TakeView.
     *
     * @param  array<string, mixed>  $row
     * @return array{int, int} ticks
     */
    private static function used(array $row): array
    {
        if (($row['trim'] ?? null) === null) {
            return [(int) ($row['speech_from'] ?? 0), (int) ($row['speech_until'] ?? $row['length_ticks'])];
        }
        $used = (array) json_decode($row['used'] ?? '[]', true);

        return $used === [] ? [0, 0] : [$used[0][0], $used[count($used) - 1][1]];
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array{width: int, height: int, url: string, late_ms: int}|null
     */
    private static function screen(array $row): ?array
    {
        return ($row['screen_width'] ?? null) === null
            ? null
            : [
                'width' => (int) $row['screen_width'],
                'height' => (int) $row['screen_height'],
                'url' => "/api/takes/{$row['id']}/tracks/screen?v=".substr((string) $row['screen_hash'], 0, 8),
                // How much later it begins than what is played.
                'late_ms' => (int) round(((int) $row['screen_offset'] - (int) $row['played_offset']) / Tick::PER_MILLISECOND),
            ];
    }

    /** @return list<array{from_ms: int, until_ms: int}> */
    private static function stretches(string $json): array
    {
        return $json === '[]' ? [] : array_map(
            fn (array $s): array => ['from_ms' => self::milliseconds($s[0]), 'until_ms' => self::milliseconds($s[1])],
            array_values(json_decode($json, true)),
        );
    }

    /**
     * @param  array<string, mixed>  $row
     * @return list<array{heard: string|null, id: string, text: string, from_ms: int|null}> `heard`: `clean`, `again` when it was
     *    begun more than once, `missing`, or null when that is not known
     */
    private static function lines(array $row): array
    {
        $ticks = (array) json_decode($row['starts'] ?? '{}', true);
        $spoken = json_decode($row['spoken'] ?? 'null', true);
        $repeated = array_flip($spoken === null ? [] : (array) json_decode($row['repeated'] ?? '[]', true));
        $lines = [];
        foreach ((array) json_decode($row['lines'] ?? '[]', true) as $line) {
            $lines[] = [
                'heard' => match (true) {
                    $spoken === null => null,
                    ! in_array($line['id'], $spoken, true) => 'missing',
                    isset($repeated[$line['id']]) => 'again',
                    default => 'clean',
                },
                'id' => $line['id'],
                'text' => $line['text'],
                'from_ms' => isset($ticks[$line['id']]) ? self::milliseconds($ticks[$line['id']]) : null,
            ];
        }

        return $lines;
    }

    /**
     * @param  array<string, mixed>  $row
     * @return list<array{id: int, at_ms: int, says: string}>
     */
    private static function markers(array $row): array
    {
        if (in_array($row['markers'] ?? '[]', ['[]', '{}'], true)) {
            return [];
        }
        $notes = (array) json_decode($row['marker_notes'] ?? '{}', true);
        $markers = [];
        foreach ((array) json_decode($row['markers'], true) as $id => $at) {
            $markers[] = ['id' => (int) $id, 'at_ms' => self::milliseconds($at), 'says' => (string) ($notes[$id] ?? '')];
        }

        return $markers;
    }

    private static function milliseconds(mixed $ticks): int
    {
        return intdiv((int) $ticks + intdiv(Tick::PER_MILLISECOND, 2), Tick::PER_MILLISECOND);
    }
}
