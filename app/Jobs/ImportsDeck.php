<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Media\Cancelled;
use App\Media\InfrastructureFailure;
use App\Media\Shared\SharedDiskAway;
use App\Models\Deck;
use App\Models\WorkState;
use App\OperationRejected;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Kernel\DomainError;

/** For jobs that bring in what a deck names: what became of it stands in its row, in words. */
trait ImportsDeck
{
    /**
     * @param  callable(): void  $work
     *
     * @throws SharedDiskAway
     */
    private function tellingHow(Deck $deck, callable $work): void
    {
        try {
            $work();
        } catch (Cancelled) {
            $deck->become(WorkState::Cancelled, WorkState::OPEN);
        } catch (OperationRejected|DomainError $e) {
            $deck->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
        } catch (SharedDiskAway $away) {
            throw $away;
        } catch (InfrastructureFailure $e) {
            Log::warning("Deck {$deck->id} could not be brought in", $e->context());
            $deck->become(WorkState::Failed, WorkState::OPEN, ['problem' => $e->getMessage()]);
        }
    }
}
