<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Models\TakeResult;
use App\Models\Track;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Takes\TakeFindings;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\TakeInputs;

/** Keeps what was found out about a take, whole. What was found out before stays. */
final class KeepResult
{
    public function __construct(private readonly SummariseTake $summarise)
    {
    }

    /** @param  string  $inputs  hash of the recording it was made from, see TakeInputs */
    public function ingest(Take $take, IngestResult $result, string $inputs): void
    {
        $this->keep($take, ResultStage::Ingest, IngestResult::VERSION, $inputs, $result->toArray());
    }

    public function alignment(Take $take, AlignmentResult $result): void
    {
        $inputs = TakeInputs::alignment(
            self::hashes($take), array_column($take->lines, 'text'), LessonStyle::of($take->lesson())->language,
        );
        $this->keep($take, ResultStage::Alignment, AlignmentResult::VERSION, $inputs, $result->toArray());
    }

    public function analysis(Take $take, AnalysisResult $result): void
    {
        $this->keep(
            $take, ResultStage::Analysis, AnalysisResult::VERSION, TakeInputs::analysis(self::hashes($take)), $result->toArray(),
        );
    }

    /** @param  array<string, mixed>  $result */
    private function keep(Take $take, ResultStage $stage, int $version, string $inputs, array $result): void
    {
        TakeResult::query()->create([
            'take_id' => $take->id, 'stage' => $stage, 'version' => $version, 'input_hash' => $inputs, 'result' => $result,
        ]);
        ($this->summarise)($take);
    }

    /** @return array<string, string|null> */
    private static function hashes(Take $take): array
    {
        return TakeFindings::hashes(array_values($take->tracks->map(fn (Track $t): array => $t->getAttributes())->all()));
    }
}
