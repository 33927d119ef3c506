<?php

namespace App\Actions;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Support\Facades\DB;

/** Adds an empty section, at the end or behind another one, looking like its neighbour. */
final class AddSection
{
    public function __invoke(Lesson $lesson, ?string $after): Section
    {
        return DB::transaction(function () use ($lesson, $after): Section {
            $sections = $lesson->sections()->get();
            $neighbour = $sections->firstWhere('id', $after) ?? $sections->last();
            $position = ($neighbour->position ?? 0) + 1;
            $lesson->sections()->where('position', '>=', $position)->increment('position');

            return $lesson->sections()->create(['position' => $position] + ($neighbour?->only(['layout', 'inset_corner', 'inset_size']) ?? []));
        });
    }
}
