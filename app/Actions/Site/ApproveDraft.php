<?php

declare(strict_types=1);

namespace App\Actions\Site;

use App\Actions\People\Notify;
use App\Actions\People\WriteHistory;
use App\Models\Approval;
use App\Models\Lesson;
use App\Models\Publication;
use App\Models\User;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;

/** Somebody finds a draft good, as it is. What is changed behind that was not approved. */
final class ApproveDraft
{
    public function __construct(private readonly WriteHistory $write, private readonly Notify $notify)
    {
    }

    /**
     * @param  int  $version  the one that was looked at
     *
     * @throws OperationRejected when a newer one is there, or none
     */
    public function __invoke(Lesson $lesson, User $person, int $version): Approval
    {
        return DB::transaction(function () use ($lesson, $person, $version): Approval {
            $latest = Publication::of($lesson, forReview: true)?->versions()->with('export')->first()
                ?? throw OperationRejected::notYet('There is no draft to approve yet.');
            if ($latest->number !== $version) {
                throw OperationRejected::conflict("A newer draft is there: version {$latest->number}. Look at it first.");
            }
            if ($latest->user_id === $person->id) {
                throw OperationRejected::conflict('You sent this draft yourself: somebody else has to look at it and approve it.');
            }
            $approval = Approval::query()->firstOrCreate(
                ['version_id' => $latest->id, 'user_id' => $person->id],
                [
                    'lesson_id' => $lesson->id, 'person' => $person->name, 'revision' => (int) $latest->export->revision,
                    'made_of' => $latest->export->made_of,
                ],
            );
            if ($approval->wasRecentlyCreated) {
                ($this->write)(AuditAction::Approved, $lesson, ['version' => $version]);
                $says = "{$person->name} approved version {$version} of the draft of {$lesson->title}";
                $this->notify->members($lesson, $says, 'people');
            }

            return $approval;
        });
    }

    /** It was not meant, or not any more. */
    public function takeBack(Lesson $lesson, User $person): void
    {
        DB::transaction(function () use ($lesson, $person): void {
            $latest = Publication::of($lesson, forReview: true)?->versions()->first();
            $gone = Approval::query()->where('version_id', $latest->id ?? '')->where('user_id', $person->id)->delete();
            $gone === 0 || ($this->write)(AuditAction::ApprovalTakenBack, $lesson);
        });
    }
}
