<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Slides\DrawSlide;
use App\Media\Cancelled;
use App\Media\MediaStore;
use App\Media\Shared\SharedDiskAway;
use App\Media\Trouble;
use App\Models\Deck;
use App\Models\WorkState;
use App\Refusal;
use App\Work\Guarded;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Problem;

/** Makes slides of drawings and short films that were brought into a lesson, in the order in which they came. */
final class DrawSlidesJob implements ShouldQueue
{
    use Guarded, Queueable;

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
        try {
            $draw($deck);
        } catch (Cancelled) {
            $deck->become(WorkState::Cancelled, WorkState::OPEN);
        } catch (Refusal|Problem $e) {
            $deck->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
        } catch (SharedDiskAway $away) {
            throw $away;
        } catch (Trouble $e) {
            Log::warning("Slide {$deck->id} could not be brought in", $e->context());
            $deck->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
        }
        $media->delete($deck->path);
    }

    private function next(): ?Deck
    {
        $open = Deck::query();
        $open->where('lesson_id', $this->lessonId)->whereIn('state', WorkState::OPEN)->orderBy('id');

        return $open->get()->first(fn (Deck $deck): bool => $deck->isSingle());
    }
}
