<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use App\Queries\Film\AssembleLesson;
use OpenReel\Core\Coverage\FilmState;

/** How the newest film of the whole lesson, in the presenter's own voice, stands to what the lesson says now. */
final class StateOfFilm
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    public function __invoke(Lesson $lesson): FilmState
    {
        $films = $lesson->exports()->where('draft', false)->get()
            ->filter(fn (Export $e): bool => $e->edition()->section === null);
        if ($films->contains(fn (Export $e): bool => $e->state->isOpen())) {
            return FilmState::Making;
        }
        $newest = $films->firstWhere('state', WorkState::Done);
        if ($newest === null) {
            return FilmState::None;
        }
        $now = ($this->assemble)($lesson, as: $newest->edition());

        return $newest->plan_hash === $now->hash() ? FilmState::UpToDate : FilmState::OutOfDate;
    }
}
