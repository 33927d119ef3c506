<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Picture\PictureFlag;

/**
 * A take as it was kept before results had rows of their own: one row that was written by ingest, alignment, analysis and the
 * presenter in turn. Archives of that version, and databases, are read by this.
 */
final readonly class FormerTake
{
    /** @param  array<string, mixed>  $row  its columns, those that hold JSON already read */
    public function __construct(private array $row)
    {
    }

    /** Its prompter's times are gone where its words were heard: those that were heard stand for them. */
    public function ingest(): ?IngestResult
    {
        if ((int) ($this->row['length_ticks'] ?? 0) <= 0) {
            return null;
        }
        $drawn = $this->list('marks');

        return IngestResult::parse([
            'length' => $this->row['length_ticks'],
            'speech' => $this->speech(),
            'retakes' => $this->list('fluffs'),
            'flags' => array_values(array_diff($this->list('flags'), self::speechFlags(), self::analysisFlags())),
            'drawn' => $drawn,
            'markers' => array_column($this->list('markers'), 'at', 'id'),
        ] + $this->timings());
    }

    /** @return AlignmentResult|null null while nobody listened */
    public function alignment(): ?AlignmentResult
    {
        $spoken = $this->row['spoken'] ?? null;
        $status = AlignmentStatus::tryFrom((string) ($this->row['hearing'] ?? ''));
        if ($status === null && $spoken === null) {
            return null;
        }
        $heard = (array) ($this->row['heard'] ?? []);
        $isSure = $spoken !== null || $status === AlignmentStatus::Sure;

        return AlignmentResult::parse([
            'status' => $isSure ? AlignmentStatus::Sure->value : $status?->value,
            'confidence' => $heard['confidence'] ?? 0,
            'attempts' => $heard['reads'] ?? [],
            'unscripted' => $heard['unscripted'] ?? [],
            'pauses' => $heard['pauses'] ?? [],
            'missing' => $heard['missing'] ?? [],
            'order' => $isSure ? $spoken ?? array_column($this->list('lines'), 'id') : [],
            'speech' => $isSure ? $this->speech() : null,
            'omitted' => $isSure ? $this->list('left') : [],
            'flawed' => $isSure ? $this->list('flawed') : [],
            'flags' => array_values(array_intersect($this->list('flags'), self::speechFlags())),
        ] + ($isSure ? $this->timings() : []));
    }

    /** @return AnalysisResult|null null while nobody looked */
    public function analysis(): ?AnalysisResult
    {
        $found = $this->row['inspected'] ?? null;

        return $found === null ? null : AnalysisResult::parse(
            ['flags' => array_values(array_intersect($this->list('flags'), self::analysisFlags()))] + (array) $found,
        );
    }

    /** @return array{int, int}|null */
    private function speech(): ?array
    {
        $from = $this->row['speech_from'] ?? null;
        $until = $this->row['speech_until'] ?? null;

        return $from === null && $until === null ? null : [(int) $from, (int) ($until ?? $this->row['length_ticks'])];
    }

    /** @return array<string, mixed> as LineTimings::parse reads them */
    private function timings(): array
    {
        return [
            'starts' => (array) ($this->row['line_ticks'] ?? []),
            'cuts' => (array) ($this->row['cut_ticks'] ?? []),
            'anchors' => array_map(fn (array $r): array => [$r['line'], $r['within'], $r['at']], $this->list('reached')),
        ];
    }

    /** @return list<mixed> */
    private function list(string $column): array
    {
        return array_values((array) ($this->row[$column] ?? []));
    }

    /** @return list<string> */
    private static function speechFlags(): array
    {
        return array_column(SpeechFlag::cases(), 'value');
    }

    /** @return list<string> */
    private static function analysisFlags(): array
    {
        return [SoundFlag::Hum->value, SoundFlag::Telephone->value, ...array_column(PictureFlag::cases(), 'value')];
    }
}
