<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Actions\People\WriteHistory;
use App\Events\LessonChanged;
use App\Models\Take;
use App\OperationRejected;
use App\Queries\Takes\TakeViews;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\Verdicts;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/**
 * Keeps, discards or puts back a take. Keeping one puts those kept before of which nothing would be heard any more back to
 * undecided; nothing is deleted.
 */
final class GiveVerdict
{
    public function __construct(private readonly WriteGivenCues $write, private readonly WriteHistory $note)
    {
    }

    /** @throws OperationRejected when a take that cannot be played is to be kept */
    public function __invoke(Take $take, Verdict $verdict): VerdictGiven
    {
        if ($verdict === Verdict::Kept && in_array($take->state, [TakeState::Recording, TakeState::Unusable], true)) {
            throw OperationRejected::conflict($take->problem ?? 'This take is still being recorded.');
        }
        $given = DB::transaction(function () use ($take, $verdict): VerdictGiven {
            $known = TakeViews::light(fn (Builder $q) => $q
                ->whereIn('section_id', DB::table('sections')->where('lesson_id', $take->section->lesson_id)->select('id'))
                ->where(fn (Builder $q) => $q->where('verdict', Verdict::Kept)->orWhere('takes.id', $take->id)));
            $before = [];
            foreach (Verdicts::after($known, $take->id, $verdict) as $id => $next) {
                $one = Take::query()->findOrFail($id);
                $before[] = [
                    'id' => $one->id,
                    'verdict' => $one->verdict->value,
                    'kept_order' => $one->kept_order,
                    'given' => $one->given,
                ];
                // Of two kept takes the one kept later is heard where both speak.
                $order = $next === Verdict::Kept ? 1 + (int) DB::table('takes')->max('kept_order') : 0;
                $one->update(['verdict' => $next, 'kept_order' => $order]);
            }
            $take->refresh()->section->touch();
            $this->note->ofTake(match ($verdict) {
                Verdict::Kept => AuditAction::Kept,
                Verdict::Discarded => AuditAction::Discarded,
                Verdict::Undecided => AuditAction::PutBack,
            }, $take);
            $text = $take->section->lesson->script;
            $wrote = $verdict === Verdict::Kept ? ($this->write)($take) : [];
            $revision = (int) $take->section->lesson()->value('revision');

            return new VerdictGiven($before, $wrote, $wrote === [] ? null : ['text' => $text, 'revision' => $revision]);
        });
        LessonChanged::dispatch($take->section->lesson_id);

        return $given;
    }
}
