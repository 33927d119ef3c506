<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Slide;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Slide */
final class SlideResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'width' => $this->width,
            'height' => $this->height,
            'text' => $this->text,
            'url' => self::url($this->id, $this->hash),
        ];
    }

    /** Another picture under the same slide has another address. */
    public static function url(string $id, string $hash): string
    {
        return "/api/slides/{$id}/picture?v=".substr($hash, 0, 8);
    }
}
