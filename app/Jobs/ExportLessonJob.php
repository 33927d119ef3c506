<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Film\ExportLesson;
use App\Media\Cancelled;
use App\Media\InfrastructureFailure;
use App\Media\ProgramKilled;
use App\Media\Shared\SharedDiskAway;
use App\Models\Export;
use App\Models\WorkState;
use App\OperationRejected;
use App\Queries\Takes\PendingIngest;
use App\Work\ExportProgress;
use App\Work\ReportsProgress;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Kernel\DomainError;

/** Exports a lesson. When its worker is killed, another goes on with what is in the cache. */
final class ExportLessonJob implements ReportsProgress, ShouldQueue
{
    use Queueable, RunsExclusively;

    /** Hours of film in four times their size take a night. */
    private const MOST_SECONDS = 43_200;

    public function __construct(public readonly string $exportId)
    {
        $this->timeout = self::MOST_SECONDS;
    }

    public function lockName(): string
    {
        return "export/{$this->exportId}";
    }

    public function left(): ?int
    {
        return ExportProgress::left($this->exportId);
    }

    public function handle(ExportLesson $exporter): void
    {
        $this->alone(function () use ($exporter): void {
            $export = Export::query()->find($this->exportId);
            if ($export === null || ! $export->state->isOpen()) {
                return;
            }
            $being = PendingIngest::in($export->lesson);
            if ($being !== null) {
                $export->update(['doing' => $being->message()]);
                $this->release(self::LOOK_AGAIN_SECONDS);

                return;
            }
            try {
                $exporter($export);
            } catch (Cancelled) {
                $export->become(WorkState::Cancelled, WorkState::OPEN, ['doing' => null]);
            } catch (OperationRejected|DomainError $e) {
                $export->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage(), 'doing' => null]);
            } catch (ProgramKilled|SharedDiskAway $e) {
                // The server was stopped, most likely, or waits: it is handed out again, and goes on with what is in the cache.
                throw $e;
            } catch (InfrastructureFailure $e) {
                Log::error("Export {$export->id} failed", $e->context());
                $export->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage(), 'doing' => null]);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        $export = Export::query()->find($this->exportId);
        $export?->become(WorkState::Failed, WorkState::OPEN, [
            'doing' => null,
            'problem' => 'The export stopped because of a fault in the server. Your takes are safe; the details are in its log.',
        ]);
    }
}
