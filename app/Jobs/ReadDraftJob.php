<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Film\ReadDraft;
use App\Models\Lesson;
use App\Work\LastFault;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has the stand-in voice read what is not recorded yet: somebody waits to watch the draft. */
final class ReadDraftJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    private const NOT_READ = 'The stand-in voice could not read what is not recorded yet because of a fault in the '
        .'server. It is tried again in a minute; the details are in the server\'s log.';

    /** Asked for again and again meanwhile, it is read once; should a worker die, again after this. */
    public int $uniqueFor = 120;

    public function __construct(public readonly string $lessonId)
    {
    }

    public function uniqueId(): string
    {
        return $this->lessonId;
    }

    public function lockName(): string
    {
        return "draft/{$this->lessonId}";
    }

    public function handle(ReadDraft $read): void
    {
        $this->alone(function () use ($read): void {
            $lesson = Lesson::query()->find($this->lessonId);
            if ($lesson !== null) {
                $read($lesson);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        LastFault::note($this->lockName(), self::NOT_READ);
    }
}
