<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Actions\People\WriteHistory;
use App\Actions\Script\SaveScript;
use App\Events\LessonChanged;
use App\Models\Lesson;
use App\Models\Take;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/**
 * Makes a lesson's takes what they were before a verdict, in the order in which they were kept; and the script, unless it
 * changed since.
 */
final class UndoVerdict
{
    public function __construct(private readonly SaveScript $save, private readonly WriteHistory $note)
    {
    }

    /**
     * @param  list<array{id: string, verdict: string, kept_order: int, given: list<array<string, mixed>>}>  $takes
     * @param  array{text: string, revision: int}|null  $script
     *
     * @throws OperationRejected when a take is not of this lesson, or cannot be kept
     */
    public function __invoke(Lesson $lesson, array $takes, ?array $script): void
    {
        DB::transaction(function () use ($lesson, $takes, $script): void {
            foreach ($takes as $was) {
                $take = Take::query()->findOrFail($was['id']);
                if ($take->section->lesson_id !== $lesson->id) {
                    throw OperationRejected::badInput('This take is not of this lesson.');
                }
                $isKept = $was['verdict'] === Verdict::Kept->value;
                if ($isKept && in_array($take->state, [TakeState::Recording, TakeState::Unusable], true)) {
                    throw OperationRejected::conflict($take->problem ?? 'This take is still being recorded.');
                }
                $take->update([
                    'verdict' => $was['verdict'],
                    'kept_order' => $isKept ? $was['kept_order'] : 0,
                    'given' => $was['given'],
                ]);
                $take->section->touch();
            }
            ($this->note)(AuditAction::VerdictUndone, $lesson);
            if ($script !== null && $lesson->refresh()->revision === $script['revision']) {
                ($this->save)($lesson, Script::parse($script['text']));
            }
        });
        LessonChanged::dispatch($lesson->id);
    }
}
