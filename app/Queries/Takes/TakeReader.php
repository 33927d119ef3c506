<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Take;
use App\Models\Track;
use App\Queries\Lessons\LessonStyle;
use OpenReel\Core\Coverage\KnownTake;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\PictureFlag;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\CleanVoice;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Take\Erasure;
use OpenReel\Core\Take\RecordedTrack as CoreTrack;
use OpenReel\Core\Take\SoundFlag;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\Take as CoreTake;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Trim;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Take\WordAnchor;

/** Reads what the core wants to know off a take's row. */
final class TakeReader
{
    /** Flags of a take that concern all of its lines. */
    private const SPOILS = [
        SoundFlag::Silent->value,
        SoundFlag::VeryQuiet->value,
        SoundFlag::Clipped->value,
        SoundFlag::Noisy->value,
        SoundFlag::Hum->value,
        SoundFlag::Telephone->value,
        PictureFlag::Black->value,
        PictureFlag::Frozen->value,
    ];

    /** @return list<Span> what is used of it */
    public static function used(Take $take): array
    {
        return Trim::used(
            $take->used,
            $take->speech_from,
            $take->speech_until,
            $take->length_ticks,
            Trim::joined([...$take->fluffs, ...$take->left, ...$take->cuts, ...$take->tightened]),
        );
    }

    /** Ticks of what is used of it. */
    public static function usedTicks(Take $take): int
    {
        return array_sum(array_map(fn (Span $s): int => $s->length()->count, self::used($take)));
    }

    /**
     * The same from a row as it is in the database.
     *
     * @param  array<string, mixed>  $row
     * @return list<Span>
     */
    public static function usedOf(array $row): array
    {
        return Trim::used(
            isset($row['used']) ? json_decode($row['used'], true) : null,
            isset($row['speech_from']) ? (int) $row['speech_from'] : null,
            isset($row['speech_until']) ? (int) $row['speech_until'] : null,
            (int) $row['length_ticks'],
            self::leftOut($row),
        );
    }

    /**
     * @param  array<string, mixed>  $row
     * @return list<array{int, int}>
     */
    private static function leftOut(array $row): array
    {
        $all = [];
        foreach (['fluffs', 'left', 'cuts', 'tightened'] as $column) {
            if (($row[$column] ?? '[]') !== '[]') {
                array_push($all, ...json_decode($row[$column], true));
            }
        }

        return $all === [] ? [] : Trim::joined($all);
    }

    /**
     * The lines it speaks: those it was recorded for, or those that were heard, in the order they were.
     *
     * @param  array<string, mixed>  $row
     * @return list<SpokenLine>
     */
    private static function linesOf(array $row): array
    {
        $lines = [];
        foreach ((array) json_decode($row['lines'], true) as $line) {
            $lines[(string) $line['id']] = new SpokenLine((string) $line['id'], (string) $line['text']);
        }
        if (($row['spoken'] ?? null) === null) {
            return array_values($lines);
        }
        $spoken = array_map(fn (string $id): ?SpokenLine => $lines[$id] ?? null, (array) json_decode($row['spoken'], true));

        return array_values(array_filter($spoken));
    }

    /**
     * @param  array<string, mixed>  $row  as it is in the database: a lesson may have thousands of takes, and a model for each
     *    takes long
     */
    public static function known(array $row): KnownTake
    {
        return new KnownTake(
            $row['id'],
            $row['section_id'],
            (int) $row['number'],
            Verdict::from($row['verdict']),
            $row['state'] === TakeState::Ready->value && (int) $row['length_ticks'] > 0,
            (int) $row['kept_order'],
            self::usedOf($row),
            self::linesOf($row),
            array_map(fn (int $t): Tick => Tick::of($t), (array) json_decode($row['cut_ticks'], true)),
            self::flawed($row),
        );
    }

    /**
     * Lines that are not said well; in a take that cannot be heard or seen well, all of them.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, true>
     */
    private static function flawed(array $row): array
    {
        $flags = ($row['flags'] ?? '[]') === '[]' ? [] : (array) json_decode($row['flags'], true);
        $spoils = array_diff(array_intersect(self::SPOILS, $flags), $flags === [] ? [] : self::mended($row));
        $ids = match (true) {
            $spoils !== [] => array_column((array) json_decode($row['lines'], true), 'id'),
            ($row['flawed'] ?? '[]') === '[]' => [],
            default => (array) json_decode($row['flawed'], true),
        };

        return array_fill_keys($ids, true);
    }

    /**
     * Flags of what is cleaned in a take.
     *
     * @param  array<string, mixed>  $row
     * @return list<string>
     */
    private static function mended(array $row): array
    {
        $cleaning = Cleaning::read((array) json_decode($row['cleaning'] ?? 'null', true));

        return [
            ...$cleaning->noise === NoiseReduction::Off ? [] : [SoundFlag::Noisy->value],
            ...$cleaning->hum ? [SoundFlag::Hum->value] : [],
        ];
    }

    public static function core(Take $take): CoreTake
    {
        return self::coreOf(
            $take->getAttributes(),
            array_values($take->tracks->map(fn (Track $t): array => $t->getAttributes())->all()),
            LessonStyle::of($take->lesson())->cleaning,
        );
    }

    /**
     * The same from rows as they are in the database.
     *
     * @param  array<string, mixed>  $row
     * @param  list<array<string, mixed>>  $tracks
     * @param  Cleaning  $usual  how its lesson's voices are cleaned
     */
    public static function coreOf(array $row, array $tracks, Cleaning $usual): CoreTake
    {
        $used = self::usedOf($row);
        $marks = $row['marks'] === '[]' ? [] : (array) json_decode($row['marks'], true);
        $heard = json_decode($row['heard'] ?? 'null', true);

        return new CoreTake(
            $row['id'],
            (int) $row['number'],
            array_map(self::track(...), array_values(array_filter($tracks, fn (array $t): bool => $t['file_path'] !== null))),
            Span::between($used[0]->from, $used[count($used) - 1]->until),
            array_map(fn (int $t): Tick => Tick::of($t), (array) json_decode($row['line_ticks'], true)),
            array_values(array_filter(array_map(TakeAnnotation::read(...), $marks))),
            self::wipes($marks),
            Crop::read(json_decode($row['framing'] ?? 'null', true)),
            Crop::read(json_decode($row['area'] ?? 'null', true)),
            self::reached($row['reached'] ?? '[]'),
            self::cleanOf($row, $tracks, $usual),
            self::spans((array) json_decode($row['silences'] ?? '[]', true)),
            pauses: self::spans($heard['pauses'] ?? []),
            unscripted: self::spans($heard['unscripted'] ?? []),
            adjustment: Adjustment::read(json_decode($row['adjustment'] ?? 'null', true)),
        );
    }

    /**
     * Its voice once it is cleaned: as was chosen for it, or else for its lesson; null as it was recorded.
     *
     * @param  array<string, mixed>  $row
     * @param  list<array<string, mixed>>  $tracks
     */
    public static function cleanOf(array $row, array $tracks, Cleaning $usual): ?CleanVoice
    {
        $voice = array_column($tracks, null, 'kind')[TrackKind::Microphone->value] ?? null;
        $own = json_decode($row['cleaning'] ?? 'null', true);
        $found = json_decode($row['inspected'] ?? 'null', true);

        return ($voice['file_path'] ?? null) === null
            ? null
            : CleanVoice::of(
                (string) $voice['hash'],
                $own === null ? $usual : Cleaning::read($own),
                $found['hum'] ?? null,
                $found['room'] ?? null,
            );
    }

    /**
     * @param  array<array{int, int}>  $stretches  ticks from and until
     * @return list<Span>
     */
    private static function spans(array $stretches): array
    {
        return array_map(
            fn (array $s): Span => Span::between(Tick::of((int) $s[0]), Tick::of((int) $s[1])),
            array_values($stretches),
        );
    }

    /** @return list<WordAnchor> */
    private static function reached(string $json): array
    {
        return $json === '[]' ? [] : array_map(
            fn (array $r): WordAnchor => new WordAnchor((string) $r['line'], (float) $r['within'], Tick::of((int) $r['at'])),
            array_values((array) json_decode($json, true)),
        );
    }

    /** @param  array<string, mixed>  $row */
    private static function track(array $row): CoreTrack
    {
        $isPicture = $row['width'] !== null && $row['height'] !== null;

        return new CoreTrack(
            TrackKind::from($row['kind']),
            (string) $row['hash'],
            Tick::of((int) $row['length_ticks']),
            Tick::of(max(0, (int) $row['offset_ticks'])),
            $isPicture ? Shape::of((int) $row['width'], (int) $row['height']) : null,
            $isPicture ? SourceColour::told($row['colour_range'], $row['colour_matrix'], (int) $row['height']) : null,
            $row['loudness'] === null ? null : (float) $row['loudness'],
            $row['peak'] === null ? null : (float) $row['peak'],
            Tick::of(max(0, -(int) $row['offset_ticks'])),
        );
    }

    /**
     * @param  array<array<string, mixed>>  $marks
     * @return list<Erasure>
     */
    private static function wipes(array $marks): array
    {
        return array_values(array_map(
            fn (array $m): Erasure => new Erasure((string) $m['on'], Tick::of((int) $m['from'])),
            array_filter($marks, fn (array $m): bool => ($m['kind'] ?? '') === 'wipe'),
        ));
    }
}
