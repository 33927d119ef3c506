<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Film\AssembleLesson;
use App\Media\PieceRenderer;
use App\Models\Lesson;
use App\Readers\CardPicture;
use App\Work\Guarded;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use OpenReel\Core\Render\ShotSpec;

/** Has every segment rendered that is not in the cache yet, so that an export mostly joins. */
final class PrepareLessonJob implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Guarded, Queueable;

    /** Frees the lock should a worker die before it starts. */
    public int $uniqueFor = 30;

    public function __construct(public readonly string $lessonId)
    {
        $this->onQueue('background');
    }

    public function uniqueId(): string
    {
        return $this->lessonId;
    }

    public function lockName(): string
    {
        return "prepare/{$this->lessonId}";
    }

    public function handle(AssembleLesson $assemble, PieceRenderer $pieces, CardPicture $cards): void
    {
        $this->alone(fn () => $this->prepare($assemble, $pieces, $cards));
    }

    private function prepare(AssembleLesson $assemble, PieceRenderer $pieces, CardPicture $cards): void
    {
        $lesson = Lesson::query()->find($this->lessonId);
        if ($lesson === null) {
            return;
        }
        $cards->drawAll($lesson);
        $assembled = $assemble($lesson);
        $sounds = $assembled->sounds();
        foreach ($assembled->assembly->segments as $index => $segment) {
            foreach (ShotSpec::all($segment, $assembled->assembly->rate) as $picture) {
                if (! $pieces->hasSegment($picture)) {
                    RenderShotJob::dispatch($picture, $sounds[$index], $assembled->files);
                }
            }
        }
    }
}
