<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Logo;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Logo */
final class LogoResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'width' => $this->width,
            'height' => $this->height,
            'url' => self::url($this->hash),
        ];
    }

    public static function url(string $hash): string
    {
        return "/api/logos/{$hash}";
    }
}
