<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Jobs\ClearRecordingsJob;
use App\Media\Cancelled;
use App\Media\Encoder;
use App\Media\FilmPlan;
use App\Media\MediaStore;
use App\Media\PieceRenderer;
use App\Media\Prober;
use App\Media\ProgramFailed;
use App\Media\Rendered;
use App\Media\SoundRenderer;
use App\Media\Workshop;
use App\Models\Export;
use App\Models\WorkState;
use App\Readers\CardPicture;
use App\Refusal;
use App\Work\ExportProgress;
use OpenReel\Core\Formats\ChapterFile;
use OpenReel\Core\Formats\ConcatList;
use OpenReel\Core\Render\ExportCheck;
use OpenReel\Core\Render\FilmCommand;
use OpenReel\Core\Render\JoinSpec;
use OpenReel\Core\Render\PieceOrder;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Sound\SoundPart;

/** Makes the finished film: renders the pieces that are not in the cache, joins them, and checks the result. */
final class ExportLesson
{
    public function __construct(
        private readonly AssembleLesson $assemble,
        private readonly CardPicture $cards,
        private readonly PieceRenderer $pieces,
        private readonly SoundRenderer $sounds,
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
        $report->begin($assembly->frames(), $lesson->hash());
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
        $missing = array_values(array_filter($lesson->pictures(), fn (ShotSpec|JoinSpec $s): bool => ! $this->pieces->has($s)));
        $orders = array_map($this->pieces->order(...), $missing);
        $report->expect(array_sum(array_map(fn (PieceOrder $o): int => $o->frames, $orders)));
        $parts = SoundPart::all($lesson->sound());
        $work = [];
        foreach ($parts as $part) {
            $work[] = function () use ($part, $lesson, $report): void {
                $report->mustGoOn();
                $this->sounds->part($part, $lesson->files);
            };
        }
        foreach ($orders as $index => $order) {
            $work[] = function () use ($order, $index, $lesson, $report): void {
                $report->mustGoOn();
                $this->pieces->make($order, $lesson->files, fn (int $frames) => $report->rendered($index, min($frames, $order->frames)));
                $report->rendered($index, $order->frames);
            };
        }
        Workshop::run($work, (int) config('reel.render_slots'));

        return $this->sounds->soundtrack($parts, $lesson->files);
    }

    /** @return string path of the joined film, a draft */
    private function join(Export $export, FilmPlan $lesson, Rendered $soundtrack): string
    {
        $specs = $lesson->pictures();
        $pieces = array_map(fn (ShotSpec|JoinSpec $s): Rendered => $this->pieces->make($this->pieces->order($s), $lesson->files), $specs);
        if (count(array_unique(array_map(fn (Rendered $r): string => (string) ($r->meta['setup'] ?? ''), $pieces))) > 1) {
            // ffmpeg would join them without a word, and players would show a broken picture.
            throw ProgramFailed::running(['join'], 1, 'pieces were encoded with different set-ups');
        }
        $list = $this->media->draft('txt');
        $this->media->fill($list, ConcatList::write(array_map(
            fn (ShotSpec|JoinSpec $spec, Rendered $piece): array => ['path' => $piece->path, 'length' => $spec->length()], $specs, $pieces,
        )));
        $chapters = $this->media->draft('ffmeta');
        $film = $this->media->draft('mp4');
        try {
            $marks = $lesson->assembly->chapters();
            $this->media->fill($chapters, ChapterFile::write($export->lesson->title, $marks));
            $this->encoder->run(FilmCommand::lesson($list, $soundtrack->path, $chapters, $film, ChapterFile::arguments($export->lesson->title, $marks)));
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
