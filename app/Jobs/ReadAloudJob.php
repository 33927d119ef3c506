<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Takes\ReadAloud;
use App\Models\Section;
use App\Work\LastFault;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has the stand-in voice read a long section. */
final class ReadAloudJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    private const NOT_READ = 'The stand-in voice could not read this section because of a fault in the '
        .'server. It is tried again in a minute; the details are in the server\'s log.';

    /** Asked for again and again while it is read, it is read once; should a worker die, again after this. */
    public int $uniqueFor = 120;

    public function __construct(public readonly string $sectionId)
    {
    }

    public function uniqueId(): string
    {
        return $this->sectionId;
    }

    public function lockName(): string
    {
        return ReadAloud::workName($this->sectionId);
    }

    public function handle(ReadAloud $read): void
    {
        $this->alone(function () use ($read): void {
            $section = Section::query()->find($this->sectionId);
            if ($section !== null) {
                $read->all($section);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        LastFault::note($this->lockName(), self::NOT_READ);
    }
}
