<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Slides\SettleDeck;
use App\Http\Resources\DeckResource;
use App\Models\Deck;
use App\Models\Lesson;
use App\Models\WorkState;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Files of slides being brought in. */
final class DeckController
{
    private const LATEST = 5;

    private const MOST_ASKED = 100;

    /** Those that are named in `ids`, behind commas, or else the latest. */
    public function index(Request $request, Lesson $lesson): JsonResponse
    {
        $ids = array_slice(explode(',', $request->string('ids')->value()), 0, self::MOST_ASKED);
        $decks = $request->has('ids') ? self::these($lesson, $ids) : self::recent($lesson);

        return new JsonResponse($decks->map(fn (Deck $d): array => (new DeckResource($d))->toArray())->values()->all());
    }

    /** @return Collection<int, Deck> the latest, and whatever is still on its way */
    private static function recent(Lesson $lesson): Collection
    {
        $latest = $lesson->decks()->limit(self::LATEST)->get();

        return $latest->merge(self::these($lesson))->unique('id')->sortByDesc('id');
    }

    /**
     * @param  list<string>|null  $ids  those of them; null for what is on its way
     * @return Collection<int, Deck>
     */
    private static function these(Lesson $lesson, ?array $ids = null): Collection
    {
        $decks = $lesson->decks();
        $ids === null ? $decks->whereIn('state', WorkState::OPEN) : $decks->whereIn('id', $ids);

        return $decks->get();
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
