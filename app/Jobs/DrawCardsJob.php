<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Lesson;
use App\Queries\Film\CardPicture;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use OpenReel\Core\Picture\FrameSize;

/** Draws a lesson's cards as they are worded and styled now, in its own frame or another one. */
final class DrawCardsJob implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Frees the lock should a worker die before it starts. */
    public int $uniqueFor = 30;

    /** @param  array{int, int}|null  $frame  width and height */
    public function __construct(public readonly string $lessonId, public readonly ?array $frame = null)
    {
    }

    public function uniqueId(): string
    {
        return implode('/', [$this->lessonId, ...$this->frame ?? []]);
    }

    public function lockName(): string
    {
        return "cards/{$this->lessonId}";
    }

    public function handle(CardPicture $cards): void
    {
        $this->alone(function () use ($cards): void {
            $lesson = Lesson::query()->find($this->lessonId);
            if ($lesson !== null) {
                $cards->drawAll($lesson, $this->frame === null ? null : FrameSize::of(...$this->frame));
            }
        });
    }
}
