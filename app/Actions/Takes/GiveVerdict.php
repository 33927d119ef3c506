<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Jobs\PrepareLessonJob;
use App\Models\Take;
use App\Models\TakeState;
use App\Readers\TakeSpan;
use App\Refusal;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\TakeChoice;
use OpenReel\Core\Take\Verdict;

/** Keeps, discards or puts back a take. Keeping one puts the section's kept take back to undecided; nothing is deleted. */
final class GiveVerdict
{
    /** @throws Refusal when a take that cannot be played is to be kept */
    public function __invoke(Take $take, Verdict $verdict): void
    {
        if ($verdict === Verdict::Kept && in_array($take->state, [TakeState::Recording, TakeState::Unusable], true)) {
            throw Refusal::conflict($take->problem ?? 'This take is still being recorded.');
        }
        DB::transaction(function () use ($take, $verdict): void {
            $takes = $take->section->takes()->get();
            $states = array_values($takes->map(fn (Take $t) => TakeSpan::state($t))->all());
            foreach (TakeChoice::afterVerdict($states, $take->id, $verdict) as $id => $next) {
                $takes->firstWhere('id', $id)?->update(['verdict' => $next]);
            }
            $take->section->touch();
        });
        PrepareLessonJob::dispatch($take->section->lesson_id);
    }
}
