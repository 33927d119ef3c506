<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\ClearedTake;
use App\Models\Section;
use App\Models\Take;

/** Takes are numbered within the section they are recorded for; a number is never given twice, also when its take is gone. */
final class TakeNumbers
{
    public static function next(Section $section): int
    {
        return 1 + max(
            (int) Take::query()->where('recorded_in', $section->id)->max('number'),
            (int) ClearedTake::query()->where('recorded_in', $section->id)->max('number'),
        );
    }
}
