<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Refusal;
use App\Actions\SettleDeck;
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
        return new JsonResponse($lesson->decks()->limit(self::LATEST)->get()->map(fn (Deck $d): array => (new DeckResource($d))->toArray())->all());
    }

    public function cancel(Deck $deck): DeckResource
    {
        Deck::query()->whereKey($deck->id)->whereIn('state', [WorkState::Waiting, WorkState::Running])->update(['state' => WorkState::Cancelled]);

        return new DeckResource($deck->refresh());
    }

    /** Takes a replaced deck back. */
    public function undo(Deck $deck, SettleDeck $settle): DeckResource
    {
        if ($deck->state !== WorkState::Done || $deck->purpose !== 'replace') {
            throw Refusal::conflict('There is nothing to take back: no slides were replaced by this file.');
        }
        $settle->undo($deck);

        return new DeckResource($deck->refresh());
    }
}
