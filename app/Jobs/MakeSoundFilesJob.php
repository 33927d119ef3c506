<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Film\MakeSoundFiles;
use App\Models\Export;
use App\Work\Guarded;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes the sound of a finished film into files of its own. */
final class MakeSoundFilesJob implements ShouldQueue
{
    use Guarded, Queueable;

    public function __construct(public readonly string $export)
    {
        $this->onQueue('background');
    }

    public function lockName(): string
    {
        return "sound-files/{$this->export}";
    }

    public function handle(MakeSoundFiles $make): void
    {
        $this->alone(function () use ($make): void {
            $export = Export::query()->find($this->export);
            if ($export !== null) {
                $make($export);
            }
        });
    }
}
