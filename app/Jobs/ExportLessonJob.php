<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\ExportLesson;
use App\Actions\Refusal;
use App\Media\Cancelled;
use App\Media\Trouble;
use App\Models\Export;
use App\Models\WorkState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Problem;

/** Exports a lesson. When its worker is killed, another goes on with what is in the cache. */
final class ExportLessonJob implements ShouldQueue
{
    use Guarded, Queueable;

    public function __construct(public readonly string $exportId)
    {
    }

    public function handle(ExportLesson $exporter): void
    {
        $this->alone("export/{$this->exportId}", function () use ($exporter): void {
            $export = Export::query()->find($this->exportId);
            if ($export === null || ! $export->state->isOpen()) {
                return;
            }
            try {
                $exporter($export);
            } catch (Cancelled) {
                $export->update(['state' => WorkState::Cancelled, 'doing' => null]);
            } catch (Refusal|Problem $e) {
                $export->update(['state' => WorkState::Failed, 'problem' => $e->getMessage(), 'doing' => null]);
            } catch (Trouble $e) {
                Log::error("Export {$export->id} failed", $e->context());
                $export->update(['state' => WorkState::Failed, 'problem' => $e->getMessage(), 'doing' => null]);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        Export::query()->whereKey($this->exportId)->update([
            'state' => WorkState::Failed, 'doing' => null,
            'problem' => 'The export stopped because of a fault in the server. Your takes are safe; the details are in its log.',
        ]);
    }
}
