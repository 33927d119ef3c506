<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\FormerTake;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\LineAttempt;
use OpenReel\Core\Take\RecordedTake;
use OpenReel\Core\Take\ResultStage;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeEdits;
use OpenReel\Core\Take\TakeInputs;
use OpenReel\Core\Take\TakeView;

/** What was found out about a take gets rows of its own; what is asked of many takes at once, a table that is computed. */
return new class extends Migration
{
    private const JSON = [
        'flags', 'lines', 'line_ticks', 'cut_ticks', 'marks', 'fluffs', 'markers', 'reached', 'heard', 'spoken', 'left', 'inspected',
        'flawed', 'used', 'cuts', 'tightened', 'cleaning',
    ];

    private const GONE = [
        'length_ticks', 'speech_from', 'speech_until', 'used', 'used_ticks', 'flags', 'line_ticks', 'cut_ticks', 'marks', 'fluffs',
        'markers', 'reached', 'hearing', 'heard', 'spoken', 'left', 'inspected', 'tightened', 'flawed',
    ];

    public function up(): void
    {
        Schema::create('take_results', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('take_id')->constrained()->cascadeOnDelete();
            $table->string('stage');
            $table->unsignedInteger('version');
            $table->string('input_hash', 64);
            $table->json('result');
            $table->timestamp('created_at')->nullable();
            $table->index(['take_id', 'stage']);
        });
        Schema::create('take_summaries', function (Blueprint $table): void {
            $table->foreignUlid('take_id')->primary()->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('length_ticks')->default(0);
            $table->unsignedBigInteger('speech_from')->nullable();
            $table->unsignedBigInteger('speech_until')->nullable();
            $table->unsignedBigInteger('used_ticks')->default(0);
            foreach (['used', 'flags', 'repeated', 'flawed', 'retakes', 'omitted', 'tightened'] as $list) {
                $table->json($list)->default('[]');
            }
            foreach (['starts', 'cut_points', 'markers'] as $map) {
                $table->json($map)->default('{}');
            }
            $table->json('spoken')->nullable();
            $table->string('alignment')->nullable();
            $table->boolean('is_analysed')->default(false);
            $table->index('alignment');
        });
        Schema::table('takes', function (Blueprint $table): void {
            $table->json('trim')->nullable();
            $table->json('marker_notes')->default('{}');
        });
        $languages = $this->languages();
        $of = fn (?string $section): Language => $languages[$section ?? ''] ?? Language::English;
        DB::table('takes')->orderBy('id')->each(fn (object $row) => $this->bringOver((array) $row, $of($row->section_id)));
        DB::table('cleared_takes')->orderBy('id')->each(
            fn (\stdClass $row) => $this->bringOverCleared($row, $of(json_decode($row->record, true)['take']['section_id'])),
        );
        Schema::table('takes', fn (Blueprint $table) => $table->dropIndex(['hearing']));
        Schema::table('takes', fn (Blueprint $table) => $table->dropColumn(self::GONE));
    }

    /** There is no way back that keeps everything: a copy of the database is made before every upgrade. */
    public function down(): void
    {
        throw new LogicException('Bring back the copy of the database that was made before the upgrade.');
    }

    /** @return array<string, Language> of each section's lesson, by section */
    private function languages(): array
    {
        $rows = DB::table('sections')
            ->join('lessons', 'lessons.id', '=', 'sections.lesson_id')
            ->leftJoin('courses', 'courses.id', '=', 'lessons.course_id')
            ->get(['sections.id', 'lessons.style as own', 'courses.style as shared']);
        $languages = [];
        foreach ($rows as $row) {
            $of = fn (?string $style): ?string => json_decode($style ?? 'null', true)['language'] ?? null;
            $languages[$row->id] = Language::tryFrom($of($row->own) ?? $of($row->shared) ?? '') ?? Language::English;
        }

        return $languages;
    }

    /** @param  array<string, mixed>  $row */
    private function bringOver(array $row, Language $language): void
    {
        $hashes = DB::table('tracks')->where('take_id', $row['id'])->pluck('hash', 'kind')->all();
        [$edits, $results, $found] = self::parts($row, $hashes, $language);
        DB::table('take_results')->insert($results);
        DB::table('takes')->where('id', $row['id'])->update($edits);
        DB::table('take_summaries')->insert(self::summary(self::decoded($row), ...$found));
    }

    /** What was cleared can be brought back: its rows are kept as JSON. */
    private function bringOverCleared(stdClass $cleared, Language $language): void
    {
        $record = json_decode($cleared->record, true);
        [$edits, $results] = self::parts($record['take'], array_column($record['tracks'], 'hash', 'kind'), $language);
        $record['take'] = array_diff_key($record['take'], array_flip(self::GONE)) + $edits;
        $record['results'] = $results;
        DB::table('cleared_takes')->where('id', $cleared->id)->update(['record' => json_encode($record, JSON_UNESCAPED_UNICODE)]);
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  array<string, string|null>  $hashes  of its files, by kind of track
     * @return array{array<string, string|null>, list<array<string, mixed>>, array{IngestResult|null, AlignmentResult|null,
     *    AnalysisResult|null}} what the presenter decided, by column; rows of its results; and these as they are
     */
    private static function parts(array $row, array $hashes, Language $language): array
    {
        $decoded = self::decoded($row);
        $former = new FormerTake($decoded);
        $found = [$former->ingest(), $former->alignment(), $former->analysis()];
        $inputs = [
            [ResultStage::Ingest, TakeInputs::ingest([], $row['id'])],
            [ResultStage::Alignment, TakeInputs::alignment($hashes, array_column($decoded['lines'] ?? [], 'text'), $language)],
            [ResultStage::Analysis, TakeInputs::analysis($hashes)],
        ];
        $results = [];
        foreach ($inputs as $n => [$stage, $hash]) {
            $results[] = $found[$n] === null ? null : [
                'take_id' => $row['id'], 'stage' => $stage->value, 'version' => IngestResult::BROUGHT_OVER, 'input_hash' => $hash,
                'result' => json_encode($found[$n]->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'created_at' => $row['created_at'],
            ];
        }
        $notes = array_filter(array_column($decoded['markers'] ?? [], 'says', 'id'), fn (string $says): bool => $says !== '');
        $edits = [
            'trim' => $decoded['used'] === null ? null : (string) json_encode($decoded['used']),
            'marker_notes' => (string) json_encode((object) $notes, JSON_UNESCAPED_UNICODE),
        ];

        return [$edits, array_values(array_filter($results)), $found];
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private static function decoded(array $row): array
    {
        foreach (self::JSON as $column) {
            $row[$column] = is_string($row[$column] ?? null) ? json_decode($row[$column], true) : $row[$column] ?? null;
        }

        return $row;
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private static function summary(
        array $row, ?IngestResult $ingest, ?AlignmentResult $alignment, ?AnalysisResult $analysis,
    ): array {
        $lines = array_map(fn (array $l): SpokenLine => new SpokenLine($l['id'], $l['text']), array_values($row['lines'] ?? []));
        $cleaning = $row['cleaning'] === null ? null : Cleaning::parse($row['cleaning']);
        $view = TakeView::of(
            new RecordedTake($row['id'], $row['section_id'], (int) $row['number'], lines: $lines),
            $ingest,
            $alignment,
            $analysis,
            new TakeEdits(
                trim: $row['used'] === null ? null : Spans::ofPairs($row['used']),
                cuts: Spans::ofPairs([...$row['cuts'] ?? [], ...$row['tightened'] ?? []]),
                cleaning: $cleaning,
            ),
        );
        $begun = array_count_values(array_map(fn (LineAttempt $a): string => $a->line, $alignment->attempts ?? []));
        $isSure = $alignment?->isSure() ?? false;
        $speech = TakeView::speech($ingest, $alignment);

        return [
            'take_id' => $row['id'],
            'length_ticks' => $view->length->count,
            'speech_from' => $speech?->from->count,
            'speech_until' => $speech?->until->count,
            'used_ticks' => Spans::length($view->used)->count,
            'spoken' => $isSure ? json_encode($alignment->order) : null,
            'alignment' => $alignment?->status->value,
            'is_analysed' => $analysis !== null,
        ] + array_map(fn (array $v): string => (string) json_encode($v), [
            'used' => Spans::pairs($view->used),
            'flags' => $view->flags,
            'repeated' => $isSure ? array_keys(array_filter($begun, fn (int $n): bool => $n > 1)) : [],
            'starts' => array_map(fn (Tick $t): int => $t->count, $view->timings->starts),
            'cut_points' => array_map(fn (Tick $t): int => $t->count, $view->timings->cuts),
            'flawed' => array_keys($view->flawed),
            'retakes' => $row['fluffs'] ?? [],
            'omitted' => $isSure ? $row['left'] ?? [] : [],
            'tightened' => $row['tightened'] ?? [],
            'markers' => array_column($row['markers'] ?? [], 'at', 'id'),
        ]);
    }
};
