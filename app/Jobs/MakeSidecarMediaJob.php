<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Film\MakeSidecarMedia;
use App\Models\Export;
use App\Work\QueueName;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes what takes the encoder a while of a finished film: its thumbnail, and its sound by itself. */
final class MakeSidecarMediaJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    public function __construct(public readonly string $export)
    {
        $this->onQueue(QueueName::Background);
    }

    public function lockName(): string
    {
        return "media-beside/{$this->export}";
    }

    public function handle(MakeSidecarMedia $make): void
    {
        $this->alone(function () use ($make): void {
            $export = Export::query()->find($this->export);
            if ($export !== null) {
                $make($export);
            }
        });
    }
}
