<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Take;
use App\Models\Track;
use App\Queries\Lessons\LessonStyle;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\TakeInputs;

/**
 * What was found out about a take: of each stage the newest result that was made of what the take is made of now. A result of
 * other words, another language or another recording does not count, and does again as soon as these are back.
 */
final readonly class TakeFindings
{
    public function __construct(
        public ?IngestResult $ingest = null,
        public ?AlignmentResult $alignment = null,
        public ?AnalysisResult $analysis = null,
    ) {
    }

    public static function of(Take $take): self
    {
        $rows = DB::table('take_results')->where('take_id', $take->id)->orderBy('id')->get()->all();

        return self::from(
            array_values($rows),
            self::hashes(array_values($take->tracks->map(fn (Track $t): array => $t->getAttributes())->all())),
            array_column($take->lines, 'text'),
            LessonStyle::of($take->lesson())->language,
        );
    }

    /**
     * @param  array<string, \stdClass>  $takes  rows by id
     * @param  array<string, list<array<string, mixed>>>  $tracks  rows of their tracks, by take
     * @return array<string, self> by id
     */
    public static function ofMany(array $takes, array $tracks, Language $language): array
    {
        $rows = [];
        foreach (DB::table('take_results')->whereIn('take_id', array_keys($takes))->orderBy('id')->get() as $row) {
            $rows[$row->take_id][] = $row;
        }
        $found = [];
        foreach ($takes as $id => $take) {
            $texts = array_column((array) json_decode($take->lines, true), 'text');
            $found[$id] = self::from($rows[$id] ?? [], self::hashes($tracks[$id] ?? []), $texts, $language);
        }

        return $found;
    }

    /**
     * @param  list<array<string, mixed>>  $tracks  rows
     * @return array<string, string|null> hash of each file, by kind
     */
    public static function hashes(array $tracks): array
    {
        return array_column($tracks, 'hash', 'kind');
    }

    /**
     * @param  list<\stdClass>  $rows  of all its results, in order
     * @param  array<string, string|null>  $hashes
     * @param  list<string>  $texts  of its lines
     */
    private static function from(array $rows, array $hashes, array $texts, Language $language): self
    {
        $wanted = [
            ResultStage::Alignment->value => TakeInputs::alignment($hashes, $texts, $language),
            ResultStage::Analysis->value => TakeInputs::analysis($hashes),
        ];
        $newest = [];
        foreach ($rows as $row) {
            if (($wanted[$row->stage] ?? $row->input_hash) === $row->input_hash) {
                $newest[$row->stage] = $row->result;
            }
        }
        $read = fn (ResultStage $stage): ?array => isset($newest[$stage->value])
            ? (array) json_decode($newest[$stage->value], true)
            : null;
        [$ingest, $alignment, $analysis] = array_map($read, [ResultStage::Ingest, ResultStage::Alignment, ResultStage::Analysis]);

        return new self(
            $ingest === null ? null : IngestResult::parse($ingest),
            $alignment === null ? null : AlignmentResult::parse($alignment),
            $analysis === null ? null : AnalysisResult::parse($analysis),
        );
    }
}
