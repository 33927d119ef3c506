<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Deck;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Deck */
final class DeckResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'single' => $this->isSingle(),
            'purpose' => $this->purpose,
            'state' => $this->state->value,
            'done' => $this->done,
            'total' => $this->total,
            'problem' => $this->problem,
            'added' => $this->report['added'] ?? [],
            'replaced' => $this->report['replaced'] ?? 0,
            'unmatched' => $this->report['unmatched'] ?? [],
        ];
    }
}
