<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Slides\ImportDeck;
use App\Media\MediaStore;
use App\Models\Deck;
use App\Models\WorkState;
use App\Work\RunsExclusively;
use App\Work\WorkerDied;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Brings in a file of slides. When its worker is killed, another starts again. */
final class ImportDeckJob implements ShouldQueue
{
    use ImportsDeck, Queueable, RunsExclusively;

    public function __construct(public readonly string $deckId)
    {
    }

    /** What brings in a file of slides, or one slide. */
    public static function of(Deck $deck): self|DrawSlidesJob
    {
        return $deck->isSingle() ? new DrawSlidesJob($deck->lesson_id) : new self($deck->id);
    }

    public function lockName(): string
    {
        return "deck/{$this->deckId}";
    }

    public function handle(ImportDeck $import, MediaStore $media): void
    {
        $this->alone(function () use ($import, $media): void {
            $deck = Deck::query()->find($this->deckId);
            if ($deck === null || $deck->state === WorkState::Done) {
                return;
            }
            $this->tellingHow($deck, function () use ($deck, $import): void {
                if ($deck->state->isOpen()) {
                    $deck->update(['done' => 0]);
                    $import($deck);
                }
            });
            if ($deck->refresh()->state !== WorkState::Done) {
                // Pages are drawn again from a file only when they were drawn from it before.
                $media->delete($deck->path);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        $deck = Deck::query()->find($this->deckId);
        $hasFailed = $deck?->become(WorkState::Failed, WorkState::OPEN, [
            'problem' => $e instanceof WorkerDied
                    ? "\"{$deck->name}\" is more than the server can draw: it broke off each time. Save it as PDF, or in "
                        .'smaller parts, and bring those in.'
                    : 'The slides could not be brought in because of a fault in the server. Your lesson is as it was; the '
                        .'details are in its log.',
        ]);
        if ($hasFailed === true) {
            app(MediaStore::class)->delete($deck->path);
        }
    }
}
