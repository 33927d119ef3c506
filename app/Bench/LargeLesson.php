<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Models\Lesson;
use App\Queries\Script\SpokenLines;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SectionText;
use OpenReel\Core\Take\FormerTake;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\TakeInputs;

/** A lesson of 200 sections and 2,000 takes, one kept in each section. */
final class LargeLesson
{
    private const SECTIONS = 200;

    private const TAKES_EACH = 10;

    public function __construct(private readonly MakeLesson $make, private readonly SaveScript $save)
    {
    }

    public function make(): Lesson
    {
        $texts = array_map(
            fn (int $n): SectionText => new SectionText(
                "Section {$n}",
                str_repeat('The water in the creek falls slowly at first, and then it falls fast. ', 5),
            ),
            range(1, self::SECTIONS),
        );
        $lesson = ($this->save)(($this->make)('A long lesson'), Script::compose('A long lesson', $texts));
        $now = now()->toDateTimeString();
        foreach ($lesson->sections()->get() as $section) {
            $spoken = SpokenLines::of($section);
            $lines = (string) json_encode($spoken);
            $cuts = (string) json_encode(
                array_combine(
                    array_column($spoken, 'id'),
                    array_map(fn (int $i): int => 48_000 + 200_000 * $i, array_keys($spoken)),
                ),
            );
            $ids = array_column($spoken, 'id');
            $takes = $tracks = $summaries = $results = [];
            foreach (range(1, self::TAKES_EACH) as $number) {
                $id = strtolower((string) Str::ulid());
                $takes[] = [
                    'id' => $id,
                    'section_id' => $section->id,
                    'recorded_in' => $section->id,
                    'number' => $number,
                    'state' => 'ready',
                    'lines' => $lines,
                    'verdict' => $number === self::TAKES_EACH ? 'kept' : 'undecided',
                    'expected_ms' => 24_000,
                    'created_at' => $now,
                    'updated_at' => $now,
                ];
                $summaries[] = [
                    'take_id' => $id, 'length_ticks' => 1_248_000, 'speech_from' => 48_000, 'speech_until' => 1_200_000,
                    'used' => '[[48000,1200000]]', 'used_ticks' => 1_152_000, 'starts' => $cuts, 'cut_points' => $cuts,
                    'spoken' => (string) json_encode($ids), 'alignment' => 'sure', 'is_analysed' => true,
                ];
                array_push($results, ...self::results($id, $spoken, (array) json_decode($cuts, true), $now));
                $file = ['take_id' => $id, 'length_ticks' => 1_248_000, 'created_at' => $now, 'updated_at' => $now];
                $tracks[] =
                    [
                        'id' => strtolower((string) Str::ulid()),
                        'kind' => 'camera',
                        'file_path' => 'x',
                        'file_mime' => 'video/webm',
                        'hash' => hash('sha256', "c{$id}"),
                        'width' => 1280,
                        'height' => 720,
                        'loudness' => null,
                    ] + $file;
                $tracks[] =
                    [
                        'id' => strtolower((string) Str::ulid()),
                        'kind' => 'microphone',
                        'file_path' => 'y',
                        'file_mime' => 'audio/flac',
                        'hash' => hash('sha256', "m{$id}"),
                        'width' => null,
                        'height' => null,
                        'loudness' => -20.0,
                    ] + $file;
            }
            DB::table('takes')->insert($takes);
            DB::table('tracks')->insert($tracks);
            DB::table('take_summaries')->insert($summaries);
            DB::table('take_results')->insert($results);
        }

        return $lesson;
    }

    /**
     * @param  list<array{id: string, text: string}>  $spoken
     * @param  array<string, int>  $starts
     * @return list<array<string, mixed>> rows
     */
    private static function results(string $take, array $spoken, array $starts, string $now): array
    {
        $former = new FormerTake([
            'length_ticks' => 1_248_000, 'speech_from' => 48_000, 'speech_until' => 1_200_000, 'lines' => $spoken,
            'line_ticks' => $starts, 'cut_ticks' => $starts, 'hearing' => 'sure', 'spoken' => array_column($spoken, 'id'),
        ]);
        $hashes = ['camera' => hash('sha256', "c{$take}"), 'microphone' => hash('sha256', "m{$take}")];
        $inputs = TakeInputs::alignment($hashes, array_column($spoken, 'text'), Language::English);
        $row = fn (ResultStage $stage, string $hash, ?array $result): array => [
            'take_id' => $take, 'stage' => $stage->value, 'version' => 1, 'input_hash' => $hash,
            'result' => (string) json_encode($result), 'created_at' => $now,
        ];

        return [
            $row(ResultStage::Ingest, hash('sha256', $take), $former->ingest()?->toArray()),
            $row(ResultStage::Alignment, $inputs, $former->alignment()?->toArray()),
        ];
    }
}
