<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Slides\DrawSlide;
use App\Media\MediaStore;
use App\Models\Deck;
use App\Models\WorkState;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes slides of drawings and short films that were brought into a lesson, in the order in which they came. */
final class DrawSlidesJob implements ShouldQueue
{
    use ImportsDeck, Queueable, RunsExclusively;

    public function __construct(public readonly string $lessonId)
    {
    }

    public function lockName(): string
    {
        return "slides/{$this->lessonId}";
    }

    public function handle(DrawSlide $draw, MediaStore $media): void
    {
        $this->alone(function () use ($draw, $media): void {
            while (($deck = $this->next()) !== null) {
                $this->draw($deck, $draw, $media);
            }
        });
    }

    /** The first of them made the worker give up; the others are drawn by another. */
    public function failed(\Throwable $e): void
    {
        $deck = $this->next();
        if ($deck === null) {
            return;
        }
        $deck->become(WorkState::Failed, WorkState::OPEN, [
            'problem' => "\"{$deck->name}\" is more than the server can draw: it broke off each time. Save it as PNG and bring "
                .'that in.',
        ]);
        app(MediaStore::class)->delete($deck->path);
        self::dispatch($this->lessonId);
    }

    private function draw(Deck $deck, DrawSlide $draw, MediaStore $media): void
    {
        $this->tellingHow($deck, fn () => $draw($deck));
        $media->delete($deck->path);
    }

    private function next(): ?Deck
    {
        $open = Deck::query();
        $open->where('lesson_id', $this->lessonId)->whereIn('state', WorkState::OPEN)->orderBy('id');

        return $open->get()->first(fn (Deck $deck): bool => $deck->isSingle());
    }
}
