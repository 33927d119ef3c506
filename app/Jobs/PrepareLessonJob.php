<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Media\PieceRenderer;
use App\Media\SoundRenderer;
use App\MediaJobs\RenderPieceJob;
use App\MediaJobs\RenderSoundJob;
use App\Models\Lesson;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\CardPicture;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use OpenReel\Core\Soundtrack\SoundPart;

/**
 * Has every piece of picture and sound made that is not in the cache yet, so that an export mostly joins. A new take is got ready
 * as well, as if it were kept already, after everything else: most are.
 */
final class PrepareLessonJob implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Frees the lock should a worker die before it starts. */
    public int $uniqueFor = 30;

    public function __construct(public readonly string $lessonId, public readonly ?string $asKept = null)
    {
        $this->onQueue($this->asKept === null ? QueueName::Background : QueueName::Ahead);
    }

    private function queueOfPieces(): QueueName
    {
        return $this->asKept === null ? QueueName::Pieces : QueueName::Ahead;
    }

    public function uniqueId(): string
    {
        return $this->lessonId.$this->asKept;
    }

    public function lockName(): string
    {
        return "prepare/{$this->lessonId}";
    }

    public function handle(AssembleLesson $assemble, PieceRenderer $pieces, SoundRenderer $sounds, CardPicture $cards): void
    {
        $this->alone(function () use ($assemble, $pieces, $sounds, $cards): void {
            $lesson = Lesson::query()->find($this->lessonId);
            if ($lesson === null) {
                return;
            }
            $cards->drawAll($lesson);
            $plan = $assemble($lesson, $this->asKept);
            foreach ($plan->pictures() as $spec) {
                if (! $pieces->has($spec)) {
                    RenderPieceJob::dispatch($pieces->order($spec)->toArray(), $plan->files)->onQueue($this->queueOfPieces());
                }
            }
            foreach (SoundPart::all($plan->sound()) as $part) {
                if (! $sounds->hasPart($part)) {
                    RenderSoundJob::dispatch($part->toArray(), $sounds->key($part), $plan->files)->onQueue(
                        $this->queueOfPieces(),
                    );
                }
            }
        });
    }
}
