<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\MediaStore;
use App\Models\Export;
use App\Models\WorkState;
use App\Queries\Film\SidecarFile;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Export */
final class ExportResource extends JsonResource
{
    /** Before this much is done, a guess at the time left would jump about. */
    private const ENOUGH_TO_GUESS = 0.05;

    /** @param  string|null  $planHash  of the lesson as it is now */
    public function __construct(Export $export, private readonly ?string $planHash)
    {
        parent::__construct($export);
    }

    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return [
            'id' => $this->id,
            'state' => $this->state->value,
            'progress' => $this->progress,
            'doing' => $this->doing,
            'seconds_left' => $this->secondsLeft(),
            'file_name' => $this->file_name,
            'draft' => $this->draft,
            'edition' => $this->edition()->toArray(),
            'batch' => $this->batch,
            'revision' => $this->revision,
            'bytes' => $this->bytes,
            'length_ms' => $this->milliseconds(),
            'findings' => $this->findings,
            'problem' => $this->problem,
            'up_to_date' => $this->plan_hash === $this->planHash,
            'started_at' => ($this->started_at ?? $this->created_at)->toIso8601ZuluString(),
            'beside' => $this->state === WorkState::Done
                ? array_map(fn (string $kind): array => [
                    'kind' => $kind, 'url' => "/api/exports/{$this->id}/beside/{$kind}",
                    'bytes' => app(MediaStore::class)->bytes(SidecarFile::path($this->resource, $kind)),
                ], $this->beside ?? [])
                : [],
            'file_url' => $this->state === WorkState::Done ? "/api/exports/{$this->id}/file" : null,
        ];
    }

    private function secondsLeft(): ?int
    {
        if ($this->state !== WorkState::Running || $this->started_at === null || $this->progress < self::ENOUGH_TO_GUESS) {
            return null;
        }
        $gone = $this->started_at->diffInSeconds(now());

        return (int) ceil($gone * (1 - $this->progress) / $this->progress);
    }
}
