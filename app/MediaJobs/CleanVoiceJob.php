<?php

declare(strict_types=1);

namespace App\MediaJobs;

use App\Media\InfrastructureFailure;
use App\Media\MediaStore;
use App\Media\Shared\SharedDiskAway;
use App\Media\VoiceCleaner;
use App\Work\LastFault;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Sound\CleanVoice;

/** Cleans a voice because somebody wants to hear what it would be like. */
final class CleanVoiceJob implements ShouldBeUnique, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Should a worker die for good, it may be asked for again after this. */
    public int $uniqueFor = 120;

    /**
     * @param  array<string, mixed>  $voice  see CleanVoice::toArray
     * @param  string  $path  of its sound, on the media disk
     */
    public function __construct(private readonly array $voice, private readonly string $path)
    {
        $this->onQueue('listen');
    }

    public function uniqueId(): string
    {
        return hash('sha256', (string) json_encode($this->voice));
    }

    public function lockName(): string
    {
        return "voice/{$this->uniqueId()}";
    }

    public function handle(VoiceCleaner $cleaner, MediaStore $media): void
    {
        $this->alone(function () use ($cleaner, $media): void {
            try {
                $cleaner->make(CleanVoice::parse($this->voice), $media->path($this->path));
            } catch (SharedDiskAway $away) {
                throw $away;
            } catch (InfrastructureFailure $fault) {
                Log::error("A voice could not be cleaned: {$fault->getMessage()}", $fault->context());
                LastFault::note($this->lockName(), $fault->getMessage());
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        LastFault::note(
            $this->lockName(),
            'This voice could not be cleaned because of a fault in the server. The take is as it was; the details are in the '
                .'server\'s log.',
        );
    }
}
