<?php

declare(strict_types=1);

namespace OpenReel\Core\Archive;

use OpenReel\Core\Script\Language;
use OpenReel\Core\Take\FormerTake;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\TakeInputs;

/** Archives of the first version as those of today: their takes kept everything in one row. */
final class FirstVersion
{
    private const SAME = [
        'id', 'section_id', 'recorded_in', 'number', 'verdict', 'lines', 'expected_ms', 'silence_ms', 'given', 'cuts', 'silences',
        'cleaning', 'adjustment', 'framing', 'area', 'event_rows', 'event_bytes', 'kept_order', 'created_at', 'tracks',
    ];

    /**
     * @param  \stdClass  $said  as its schema has it
     *
     * @throws ArchiveError when a take in it is none
     */
    public static function upgraded(\stdClass $said): \stdClass
    {
        try {
            foreach ($said->lessons as $lesson) {
                $language = ((array) $lesson->style)['language'] ?? ((array) ($said->course->style ?? []))['language'] ?? '';
                $spoken = Language::tryFrom((string) $language) ?? Language::English;
                $lesson->takes = array_map(fn (\stdClass $take): \stdClass => self::take($take, $spoken), $lesson->takes);
            }
        } catch (\ValueError|\TypeError) {
            throw ArchiveError::unreadable();
        }
        $said->version = Manifest::VERSION;

        return $said;
    }

    private static function take(\stdClass $take, Language $language): \stdClass
    {
        $row = (array) json_decode((string) json_encode($take), true);
        $former = new FormerTake($row);
        $hashes = array_column($row['tracks'], 'hash', 'kind');
        $alignment = TakeInputs::alignment($hashes, array_column($row['lines'], 'text'), $language);
        $results = [
            ResultStage::Ingest->value => self::results(TakeInputs::ingest([], $row['id']), $former->ingest()?->toArray()),
            ResultStage::Alignment->value => self::results($alignment, $former->alignment()?->toArray()),
            ResultStage::Analysis->value => self::results(TakeInputs::analysis($hashes), $former->analysis()?->toArray()),
        ];
        $notes = array_filter(array_column($row['markers'], 'says', 'id'), fn (string $says): bool => $says !== '');
        $more = ['trim' => $row['used'], 'marker_notes' => (object) $notes, 'results' => $results];

        return (object) json_decode((string) json_encode(array_intersect_key((array) $take, array_flip(self::SAME)) + $more));
    }

    /**
     * @param  array<string, mixed>|null  $result
     * @return list<array{version: int, input_hash: string, result: array<string, mixed>}>
     */
    private static function results(string $inputs, ?array $result): array
    {
        return $result === null
            ? []
            : [['version' => IngestResult::BROUGHT_OVER, 'input_hash' => $inputs, 'result' => $result]];
    }
}
