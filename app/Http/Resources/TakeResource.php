<?php

namespace App\Http\Resources;

use App\Models\Take;
use App\Models\TakeState;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Time\Tick;

/** @mixin Take */
final class TakeResource extends JsonResource
{
    /** A recorder sends every second; when nothing came for this long, it was cut off. */
    private const SILENT_SECONDS = 12;

    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $recording = $this->state === TakeState::Recording;

        return [
            'id' => $this->id,
            'section_id' => $this->section_id,
            'number' => $this->number,
            'state' => $this->state->value,
            'cut_off' => $recording && $this->tracks->max('updated_at')?->diffInSeconds(now()) > self::SILENT_SECONDS,
            'verdict' => $this->verdict->value,
            'problem' => $this->problem,
            'length_ms' => self::milliseconds($this->length_ticks),
            'used_from_ms' => self::milliseconds($this->used_from ?? $this->speech_from ?? 0),
            'used_until_ms' => self::milliseconds($this->used_until ?? $this->speech_until ?? $this->length_ticks),
            'trimmed_by_hand' => $this->used_from !== null || $this->used_until !== null,
            'flags' => $this->flags,
            'camera' => $this->camera_width === null ? null : ['width' => $this->camera_width, 'height' => $this->camera_height],
            'media_url' => "/api/takes/{$this->id}/media?v=".substr($this->media_hash ?? $this->state->value, 0, 8),
            'poster_url' => $this->poster_path === null ? null : "/api/takes/{$this->id}/poster",
            'recorded_at' => $this->created_at->toIso8601ZuluString(),
            'tracks' => $recording ? $this->tracks->map(fn ($t): array => ['id' => $t->id, 'kind' => $t->kind, 'next_chunk' => $t->next_chunk])->all() : [],
        ];
    }

    private static function milliseconds(int $ticks): int
    {
        return Tick::of($ticks)->milliseconds();
    }
}
