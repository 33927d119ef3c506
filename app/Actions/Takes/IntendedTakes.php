<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use Illuminate\Database\Eloquent\Builder;

/** Which takes a change is for that was made at one of them. */
final class IntendedTakes
{
    /**
     * @param  string  $for  `take`, `section` or `lesson`
     * @return Builder<Take>
     */
    public static function of(Take $take, string $for): Builder
    {
        $sections = $take->section->lesson->sections()->pluck('id')->all();

        return match ($for) {
            'lesson' => Take::query()->where(fn (Builder $takes) => $takes->whereIn('section_id', $sections)),
            'section' => Take::query()->where('section_id', $take->section_id),
            default => Take::query()->where('id', $take->id),
        };
    }
}
