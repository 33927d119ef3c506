<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Actions\Lessons\CountChange;
use App\Actions\People\WriteHistory;
use App\Events\ExportFinished;
use App\Media\Cancelled;
use App\Media\FilmMaker;
use App\Media\MediaStore;
use App\Media\Prober;
use App\Models\Export;
use App\Models\WorkState;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\CardPicture;
use App\Work\ExportProgress;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\Render\ExportCheck;
use OpenReel\Core\Render\ExportFinding;
use OpenReel\Core\Render\ExportPreset;

/** Makes the finished film: renders the pieces that are not in the cache, joins them, and checks the result. */
final class ExportLesson
{
    public function __construct(
        private readonly AssembleLesson $assemble,
        private readonly ReadDraft $read,
        private readonly CardPicture $cards,
        private readonly FilmMaker $maker,
        private readonly Prober $prober,
        private readonly MediaStore $media,
        private readonly Sidecars $beside,
        private readonly WriteHistory $write,
    ) {
    }

    /**
     * @param  (callable(float $part): void)|null  $progress  0..1
     *
     * @throws OperationRejected when nothing is kept
     */
    public function __invoke(Export $export, ?callable $progress = null): void
    {
        if ($export->draft) {
            ($this->read)($export->lesson);
        }
        $edition = $export->edition();
        $lesson = ($this->assemble)($export->lesson, as: $edition);
        $assembly = $lesson->assembly;
        if ($assembly->segments === []) {
            throw OperationRejected::conflict('No section has a kept take yet, so there is nothing to export. Keep at least one take.');
        }
        $this->media->mustHaveRoomFor(0, 'the film');
        $report = new ExportProgress($export, $progress);
        $report->begin($assembly->frames(), $lesson->hash(), $edition->needsAnotherPass());
        $export->update(['revision' => $export->lesson->revision, 'made_of' => $this->madeOf($export, $edition, $lesson)]);
        $this->cards->drawAll($export->lesson, $edition->frame);

        $title = $export->lesson->title.($export->draft ? ' (draft)' : '');
        $captions = $lesson->shownCaptions();
        [$film, $loudness] = $this->maker->make($lesson, $title, $captions, $report, $edition);
        try {
            $report->checking();
            $findings = ExportCheck::findings(
                $assembly,
                $this->prober->export($film),
                $loudness,
                $lesson->target,
                (float) config('reel.loudness.peak_dbtp'),
                $edition->burned ? 0 : count($captions),
                $edition->format,
            );
            $path = "lessons/{$export->lesson_id}/exports/{$export->id}.{$edition->format->value}";
            $bytes = (int) filesize($film);
            $this->media->commit($film, $path);
        } finally {
            @unlink($film);
        }
        $isDone = $export->become(WorkState::Done, [WorkState::Running], [
            'path' => $path, 'bytes' => $bytes,
            'findings' => array_map(fn (ExportFinding $f): array => $f->toArray(), $findings),
            'progress' => 1, 'doing' => null, 'finished_at' => now(),
            'beside' => $this->beside->write($export, $lesson, $captions),
        ]);
        if (! $isDone) {
            $this->media->delete($path);
            $this->beside->forget($export);
            throw Cancelled::byPresenter();
        }
        CountChange::of($export->lesson);
        ($this->write)(AuditAction::Exported, $export->lesson, ['file' => $export->file_name]);
        ExportFinished::dispatch($export->id, $lesson->takes());
    }

    /** Of another kind of file the same was looked at and approved. */
    private function madeOf(Export $export, ExportPreset $edition, FilmPlan $plan): string
    {
        $usual = new ExportPreset(draft: $edition->draft);

        return $edition->toArray() === $usual->toArray() ? $plan->hash() : ($this->assemble)($export->lesson, as: $usual)->hash();
    }
}
