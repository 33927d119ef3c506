<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Jobs\ClearRecordingsJob;
use App\Media\Cancelled;
use App\Media\Encoder;
use App\Media\FilmPlan;
use App\Media\MediaStore;
use App\Media\PieceRenderer;
use App\Media\PlanHash;
use App\Media\Prober;
use App\Media\ProgramFailed;
use App\Media\Rendered;
use App\Media\Workshop;
use App\Models\Export;
use App\Models\WorkState;
use App\Readers\CardPicture;
use App\Refusal;
use App\Work\ExportProgress;
use OpenReel\Core\Formats\ChapterFile;
use OpenReel\Core\Render\ExportCheck;
use OpenReel\Core\Render\JoinCommand;
use OpenReel\Core\Render\LoudnessReport;
use OpenReel\Core\Render\ShotSpec;

/** Makes the finished film: renders the pieces that are not in the cache, joins them, and checks the result. */
final class ExportLesson
{
    public function __construct(
        private readonly AssembleLesson $assemble,
        private readonly CardPicture $cards,
        private readonly PieceRenderer $pieces,
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @param  (callable(float $part): void)|null  $progress  0..1
     *
     * @throws Refusal when nothing is kept
     */
    public function __invoke(Export $export, ?callable $progress = null): void
    {
        $lesson = ($this->assemble)($export->lesson);
        $assembly = $lesson->assembly;
        if ($assembly->segments === []) {
            throw Refusal::conflict('No section has a kept take yet, so there is nothing to export. Keep at least one take.');
        }
        $this->media->mustHaveRoomFor(0, 'the film');
        $report = new ExportProgress($export, $progress);
        $report->begin($assembly->frames(), PlanHash::of($lesson));
        $this->cards->drawAll($export->lesson);

        $soundtrack = $this->render($lesson, $report);
        $report->joining();
        $film = $this->join($export, $lesson, $soundtrack);
        try {
            $report->checking();
            $findings = ExportCheck::findings(
                $assembly,
                $this->prober->export($film),
                new LoudnessReport($soundtrack->meta['lufs'] ?? null, $soundtrack->meta['peak'] ?? null),
                $lesson->target,
                (float) config('reel.loudness.peak_dbtp'),
            );
            $path = "lessons/{$export->lesson_id}/exports/{$export->id}.mp4";
            $bytes = (int) filesize($film);
            $this->media->settle($film, $path);
        } finally {
            @unlink($film);
        }
        $isDone = $export->become(WorkState::Done, [WorkState::Running], [
            'path' => $path, 'bytes' => $bytes, 'findings' => $findings, 'progress' => 1, 'doing' => null, 'finished_at' => now(),
        ]);
        if (! $isDone) {
            $this->media->delete($path);
            throw Cancelled::byPresenter();
        }
        ClearRecordingsJob::dispatch($lesson->takes());
    }

    private function render(FilmPlan $lesson, ExportProgress $report): Rendered
    {
        $pictures = $lesson->pictures();
        $missing = array_values(array_filter($pictures, fn (ShotSpec $s): bool => ! $this->pieces->hasSegment($s)));
        $report->expect(array_sum(array_map(fn (ShotSpec $s): int => $s->frames, $missing)));

        $work = $sounds = [];
        $soundsLeft = count($lesson->sounds());
        foreach ($lesson->sounds() as $spec) {
            $sounds[] = function () use ($spec, $lesson, $report, &$soundsLeft): void {
                $report->mustGoOn();
                $this->pieces->sound($spec, $lesson->files);
                $soundsLeft--;
            };
        }
        $soundtrack = null;
        $work[] = function () use ($lesson, &$soundtrack, &$soundsLeft): void {
            while ($soundsLeft > 0) {
                \App\Media\Program::wait();
            }
            $soundtrack = $this->pieces->soundtrack($lesson->sounds(), $lesson->files);
        };
        foreach ($missing as $index => $spec) {
            $work[] = function () use ($spec, $index, $lesson, $report): void {
                $report->mustGoOn();
                $this->pieces->segment($spec, $lesson->files, fn (int $frames) => $report->rendered($index, min($frames, $spec->frames)));
                $report->rendered($index, $spec->frames);
            };
        }
        Workshop::run([...$sounds, ...$work], (int) config('reel.render_slots'));

        return $soundtrack ?? throw new \LogicException('The soundtrack was not made.');
    }

    /** @return string path of the joined film, a draft */
    private function join(Export $export, FilmPlan $lesson, Rendered $soundtrack): string
    {
        $segments = array_map(fn (ShotSpec $s): Rendered => $this->pieces->segment($s, $lesson->files), $lesson->pictures());
        if (count(array_unique(array_map(fn (Rendered $r): string => (string) ($r->meta['setup'] ?? ''), $segments))) > 1) {
            // ffmpeg would join them without a word, and players would show a broken picture.
            throw ProgramFailed::running(['join'], 1, 'segments were encoded with different set-ups');
        }
        $list = $this->pieces->list(array_map(
            fn (ShotSpec $spec, Rendered $segment): array => ['path' => $segment->path, 'length' => $spec->length()],
            $lesson->pictures(), $segments,
        ));
        $chapters = $this->media->draft('ffmeta');
        $film = $this->media->draft('mp4');
        try {
            $marks = $lesson->assembly->chapters();
            $this->media->fill($chapters, ChapterFile::write($export->lesson->title, $marks));
            $this->encoder->run(JoinCommand::lesson($list, $soundtrack->path, $chapters, $film, ChapterFile::arguments($export->lesson->title, $marks)));
        } catch (\Throwable $e) {
            @unlink($film);
            throw $e;
        } finally {
            @unlink($list);
            @unlink($chapters);
        }

        return $film;
    }
}
