<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\TakesWaitForAlignment;
use App\Models\Lesson;
use App\Models\Take;
use OpenReel\Core\Take\TakeState;

/** Has all takes of a lesson listened to anew: another language is spoken in them than was thought. */
final class RealignTakes
{
    public function __construct(private readonly SummariseTake $summarise)
    {
    }

    public function __invoke(Lesson $lesson): void
    {
        /** @var list<Take> $takes */
        $takes = Take::query()->whereIn('section_id', $lesson->sections()->withTrashed()->select('id'))->get()->all();
        foreach ($takes as $take) {
            ($this->summarise)($take);
            if (config('reel.hear') && $take->state === TakeState::Ready) {
                TakesWaitForAlignment::dispatch();
            }
        }
    }
}
