<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Site\DeliverFilm;
use App\Media\Cancelled;
use App\Media\InfrastructureFailure;
use App\Media\Shared\SharedDiskAway;
use App\Models\Delivery;
use App\Models\WorkState;
use App\OperationRejected;
use App\Work\RunsExclusively;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;

/** Copies a film into the course site's folder. When its worker is killed, another begins again. */
final class DeliverFilmJob implements ShouldQueue
{
    use Queueable, RunsExclusively;

    public function __construct(public readonly string $deliveryId)
    {
    }

    public function lockName(): string
    {
        return "delivery/{$this->deliveryId}";
    }

    public function handle(DeliverFilm $deliver): void
    {
        $this->alone(function () use ($deliver): void {
            $delivery = Delivery::query()->find($this->deliveryId);
            if ($delivery === null || ! $delivery->state->isOpen()) {
                return;
            }
            try {
                $deliver($delivery);
            } catch (Cancelled) {
                // It was said already.
            } catch (OperationRejected $e) {
                $delivery->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
            } catch (SharedDiskAway $away) {
                throw $away;
            } catch (InfrastructureFailure $e) {
                Log::error("Delivery {$delivery->id} failed", $e->context());
                $delivery->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        Delivery::query()->find($this->deliveryId)?->become(WorkState::Failed, WorkState::OPEN, [
            'problem' => 'The film could not be sent because of a fault in the server. The details are in its log.',
        ]);
    }
}
