<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\ImportDeck;
use App\Actions\Refusal;
use App\Media\Cancelled;
use App\Media\Trouble;
use App\Models\Deck;
use App\Models\WorkState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Problem;

/** Brings in a file of slides. When its worker is killed, another starts again. */
final class ImportDeckJob implements ShouldQueue
{
    use Guarded, Queueable;

    public function __construct(public readonly string $deckId)
    {
    }

    public function handle(ImportDeck $import): void
    {
        $this->alone("deck/{$this->deckId}", function () use ($import): void {
            $deck = Deck::query()->find($this->deckId);
            if ($deck === null || ! $deck->state->isOpen()) {
                return;
            }
            $deck->update(['done' => 0]);
            try {
                $import($deck);
            } catch (Cancelled) {
                $deck->update(['state' => WorkState::Cancelled]);
            } catch (Refusal|Problem $e) {
                $deck->update(['state' => WorkState::Failed, 'problem' => $e->getMessage()]);
            } catch (Trouble $e) {
                Log::warning("Slides {$deck->id} could not be brought in", $e->context());
                $deck->update(['state' => WorkState::Failed, 'problem' => $e->getMessage()]);
            }
        });
    }

    public function failed(\Throwable $e): void
    {
        Deck::query()->whereKey($this->deckId)->update([
            'state' => WorkState::Failed,
            'problem' => 'The slides could not be brought in because of a fault in the server. Your lesson is as it was; the details are in its log.',
        ]);
    }
}
