<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ArchiveImport;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin ArchiveImport */
final class ArchiveImportResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'state' => $this->state->value,
            'whole' => $this->whole,
            'next_chunk' => $this->next_chunk,
            'done' => $this->done,
            'total' => $this->total,
            'problem' => $this->problem,
            'made' => $this->made,
        ];
    }
}
