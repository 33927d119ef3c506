<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\User;
use App\OperationRejected;
use App\People\Belongs;
use App\People\Memberships;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;

/** Somebody comes in by a link; it is used up then. Who has part in it already keeps what they are. */
final class AcceptInvitation
{
    public function __construct(private readonly GiveRole $give)
    {
    }

    /**
     * Of those who come by one link at once only the first does, and only they get a place here.
     *
     * @param  callable(): User  $who  comes in; asked once the invitation is used up
     * @return array{Lesson|Course, User}
     *
     * @throws OperationRejected when it was used meanwhile, or what it is for is gone; then nothing has happened
     */
    public function __invoke(Invitation $invitation, callable $who): array
    {
        return DB::transaction(function () use ($invitation, $who): array {
            $place = Belongs::to($invitation);
            if (Invitation::query()->whereKey($invitation->id)->delete() === 0 || $place === null || $place->trashed()) {
                throw OperationRejected::notYet('This invitation is no longer valid. Ask for a new one.');
            }
            $person = $who();
            if (Memberships::in($place, $person)->isStranger()) {
                ($this->give)($place, $person, $invitation->role, AuditAction::Joined);
            }

            return [$place, $person];
        });
    }
}
