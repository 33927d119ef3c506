<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Slides\SettleDeck;
use App\Http\Resources\DeckResource;
use App\Models\Deck;
use App\Models\Lesson;
use App\Models\WorkState;
use Illuminate\Http\JsonResponse;

/** Files of slides being brought in. */
final class DeckController
{
    private const LATEST = 5;

    public function index(Lesson $lesson): JsonResponse
    {
        return new JsonResponse(
            $lesson->decks()->limit(self::LATEST)->get()->map(fn (Deck $d): array => (new DeckResource($d))->toArray())->all(),
        );
    }

    public function cancel(Deck $deck): DeckResource
    {
        $deck->become(WorkState::Cancelled, WorkState::OPEN);

        return new DeckResource($deck);
    }

    /** Takes a replaced deck back. */
    public function undo(Deck $deck, SettleDeck $settle): DeckResource
    {
        $settle->undo($deck);

        return new DeckResource($deck->refresh());
    }
}
