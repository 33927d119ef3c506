<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Slide;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Kernel\Tick;

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
            'steps' => max(0, count($this->steps) - 1),
            'film_ms' => $this->film === null ? null : Tick::of($this->film['ticks'])->milliseconds(),
        ];
    }

    /** Where the film of a slide is played from. */
    public static function film(string $id, string $hash): string
    {
        return "/api/slides/{$id}/film?v=".substr($hash, 0, 8);
    }

    /** Another picture under the same slide has another address. */
    public static function url(string $id, string $hash): string
    {
        return "/api/slides/{$id}/picture?v=".substr($hash, 0, 8);
    }
}
