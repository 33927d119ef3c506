<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Role;

/** Takes out somebody who signed in here. What nobody else owns is handed on, and nothing of it is lost. */
final class RemovePerson
{
    public function __construct(private readonly GiveRole $give)
    {
    }

    /**
     * @param  User|null  $heir  who is to own it; unless said, whoever signed in here first. When nobody is left, whoever comes
     *    next owns it (AssignOrphans)
     * @return int how many lessons and courses were handed on
     *
     * @throws OperationRejected when it is to be handed to the very person
     */
    public function __invoke(User $person, ?User $heir = null): int
    {
        if ($heir?->id === $person->id) {
            throw OperationRejected::badInput('Name somebody else to hand it on to.');
        }

        return DB::transaction(function () use ($person, $heir): int {
            $heir ??= User::whoCameFirst(but: $person);
            $handed = 0;
            foreach (Membership::query()->where('user_id', $person->id)->where('role', Role::Owner)->get() as $membership) {
                $place = $membership->lesson_id === null
                    ? Course::withTrashed()->findOrFail($membership->course_id)
                    : Lesson::withTrashed()->findOrFail($membership->lesson_id);
                if ($heir !== null && GiveRole::of($place)->where('role', Role::Owner)->count() === 1) {
                    ($this->give)($place, $heir, Role::Owner, AuditAction::RoleGiven);
                    $handed++;
                }
            }
            $person->delete();

            return $handed;
        });
    }
}
