<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Course;
use App\Models\Logo;
use App\People\Memberships;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Style\HouseStyle;

/** @mixin Course */
final class CourseResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $style = HouseStyle::stored($this->style);

        return [
            'id' => $this->id,
            'name' => $this->name,
            'may' => array_column(Memberships::in($this->resource)->rights(), 'value'),
            'page' => $this->token === null ? null : "/watch/course/{$this->token}",
            'lessons' => (int) ($this->lessons_count ?? $this->lessons()->count()),
            'style' => $style->toArray(),
            'warnings' => $style->warnings(),
            'logos' => $this->logos()->get()->map(fn (Logo $l): array => (new LogoResource($l))->toArray())->all(),
        ];
    }
}
