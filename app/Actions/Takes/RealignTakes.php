<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\TakesWaitForAlignment;
use App\Models\Lesson;
use App\Models\Take;

/** Has all takes of a lesson listened to anew: another language is spoken in them than was thought. */
final class RealignTakes
{
    public function __invoke(Lesson $lesson): void
    {
        $takes = Take::query()->whereIn('section_id', $lesson->sections()->withTrashed()->select('id'));
        $count = $takes->update(['hearing' => null]);
        for ($i = 0; config('reel.hear') && $i < $count; $i++) {
            TakesWaitForAlignment::dispatch();
        }
    }
}
