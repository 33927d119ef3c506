<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Models\Approval;
use App\Models\Export;
use App\Models\Lesson;
use App\OperationRejected;
use App\Queries\Publishing\ReviewState;

/** What is shown to viewers was looked at by somebody else, where the owner wants that; asked for on every way out. */
final class RequireApproval
{
    /** @throws OperationRejected when nobody has approved what this film is made of */
    public function __invoke(Lesson $lesson, Export $export): void
    {
        if (! $lesson->needs_approval || ReviewState::isApproved($lesson, $export->made_of)) {
            return;
        }
        /** @var Approval|null $before */
        $before = Approval::query()->where('lesson_id', $lesson->id)->orderByDesc('id')->first();
        throw OperationRejected::conflict($before === null
            ? 'This lesson is published once somebody has approved its draft. Nobody has yet.'
            : "The lesson has changed since {$before->person} approved the draft. Have the new one approved first.");
    }
}
