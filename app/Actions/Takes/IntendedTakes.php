<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Take;
use Illuminate\Database\Eloquent\Builder;

/** Which takes a change is for that was made at one of them. */
final class IntendedTakes
{
    /**
     * @param  string  $column  of `takes` that is to say something else; JSON
     * @param  array<string, mixed>|null  $value  null: nothing
     * @param  string  $for  `take`, `section` or `lesson`
     * @return array<string, mixed> what each of them had before, by id
     */
    public static function change(Take $take, string $column, ?array $value, string $for): array
    {
        $had = self::of($take, $for)->pluck($column, 'id')->all();
        self::of($take, $for)->update([$column => $value === null ? null : json_encode($value, JSON_THROW_ON_ERROR)]);
        $take->section->touch();
        LessonChanged::dispatch($take->section->lesson_id);

        return $had;
    }

    /**
     * @param  string  $for  `take`, `section` or `lesson`
     * @return Builder<Take>
     */
    private static function of(Take $take, string $for): Builder
    {
        $sections = $take->section->lesson->sections()->pluck('id')->all();

        return match ($for) {
            'lesson' => Take::query()->where(fn (Builder $takes) => $takes->whereIn('section_id', $sections)),
            'section' => Take::query()->where('section_id', $take->section_id),
            default => Take::query()->where('id', $take->id),
        };
    }
}
