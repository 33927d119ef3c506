<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Lesson;
use App\Models\Take;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/** Says which take speaks some lines, whatever is kept later; or leaves it to coverage again. */
final class ChooseTake
{
    /**
     * @param  list<string>  $lines  ids of lines of the lesson
     * @param  Take|null  $take  null leaves it to coverage
     *
     * A take that is not kept yet is kept by it, behind all others: it speaks these lines, and what no other take does.
     *
     * @throws OperationRejected when the take cannot be used, or does not speak one of the lines
     */
    public function __invoke(Lesson $lesson, array $lines, ?Take $take): void
    {
        if ($take !== null && ($take->state !== TakeState::Ready || $take->section->lesson_id !== $lesson->id)) {
            throw OperationRejected::conflict('This take cannot be used yet.');
        }
        if ($take !== null && array_diff($lines, $take->spoken ?? array_column($take->lines, 'id')) !== []) {
            throw OperationRejected::badInput('This take does not speak all of these lines.');
        }
        DB::transaction(function () use ($lesson, $lines, $take): void {
            $own = DB::table('lines')->where('lesson_id', $lesson->id)->whereIn('id', $lines)->pluck('id');
            if ($own->count() !== count(array_unique($lines))) {
                throw OperationRejected::badInput('One of these lines is not in this lesson.');
            }
            DB::table('line_choices')->whereIn('line_id', $own)->delete();
            if ($take !== null) {
                if ($take->verdict !== Verdict::Kept) {
                    $take->update(['verdict' => Verdict::Kept, 'kept_order' => 0]);
                }
                $now = now();
                DB::table('line_choices')->insert(
                    $own
                        ->map(
                            fn (string $id): array => [
                                'line_id' => $id,
                                'lesson_id' => $lesson->id,
                                'take_id' => $take->id,
                                'created_at' => $now,
                                'updated_at' => $now,
                            ],
                        )
                        ->all(),
                );
            }
            $lesson->touch();
        });
        LessonChanged::dispatch($lesson->id);
    }
}
