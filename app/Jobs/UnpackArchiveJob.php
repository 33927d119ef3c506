<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Archives\UnpackArchive;
use App\Media\Cancelled;
use App\Media\InfrastructureFailure;
use App\Media\MediaStore;
use App\Media\ProgramKilled;
use App\Media\Shared\SharedDiskAway;
use App\Media\WorkLock;
use App\Models\ArchiveImport;
use App\Models\WorkState;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Kernel\DomainError;

/** Makes lessons of an archive that has arrived. When its worker is killed, another starts again. */
final class UnpackArchiveJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    /** How often it is noted how far it is, in bytes. */
    private const STEP = 8_000_000;

    /** What its manifest may say fits into it, see Manifest; other jobs of this worker have what they had. */
    private const MEMORY = '1536M';

    /** One after the other, whoever sends them: other work finds a worker meanwhile. */
    private const ONE_AT_A_TIME = 'unpacking';

    public function __construct(public readonly string $arrivalId)
    {
    }

    public function lockName(): string
    {
        return "arrival/{$this->arrivalId}";
    }

    public function handle(UnpackArchive $unpack, MediaStore $media): void
    {
        $this->alone(function () use ($unpack, $media): void {
            $turn = WorkLock::tryFor(self::ONE_AT_A_TIME);
            if ($turn === null) {
                $this->release(self::LOOK_AGAIN_SECONDS);

                return;
            }
            $memory = (string) ini_set('memory_limit', self::MEMORY);
            try {
                $this->unpack($unpack, $media);
            } finally {
                gc_collect_cycles();
                ini_set('memory_limit', $memory);
                $turn->release();
            }
        });
    }

    private function unpack(UnpackArchive $unpack, MediaStore $media): void
    {
        $arrival = ArchiveImport::query()->find($this->arrivalId);
        if ($arrival?->become(WorkState::Running, WorkState::OPEN) !== true) {
            return;
        }
        try {
            $unpack($media->path($arrival->path), self::noting($arrival), function (array $made) use ($arrival): void {
                // In one step with the lessons: a worker that dies behind it has nothing left to do.
                $arrival->become(WorkState::Done, WorkState::OPEN, ['made' => $made]) ?: throw Cancelled::byPresenter();
            });
        } catch (Cancelled) {
            // It was said already.
        } catch (DomainError $e) {
            $arrival->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
        } catch (ProgramKilled|SharedDiskAway $e) {
            // What arrived stays, and is looked through once more.
            throw $e;
        } catch (InfrastructureFailure $e) {
            Log::warning("Archive {$arrival->id} could not be brought in", $e->context());
            $arrival->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
        }
        $media->delete($arrival->path);
    }

    public function failed(\Throwable $e): void
    {
        $arrival = ArchiveImport::query()->find($this->arrivalId);
        $hasFailed = $arrival?->become(WorkState::Failed, WorkState::OPEN, [
            'problem' => 'The archive could not be brought in because of a fault in the server. Nothing was changed; the details '
                .'are in its log.',
        ]);
        if ($hasFailed === true) {
            app(MediaStore::class)->delete($arrival->path);
        }
    }

    /** @return \Closure(int, int): void */
    private static function noting(ArchiveImport $arrival): \Closure
    {
        $noted = -self::STEP;

        return function (int $done, int $total) use ($arrival, &$noted): void {
            if ($done - $noted >= self::STEP) {
                $noted = $done;
                if (! $arrival->become(WorkState::Running, WorkState::OPEN, ['done' => $done, 'total' => $total])) {
                    throw Cancelled::byPresenter();
                }
            }
        };
    }
}
