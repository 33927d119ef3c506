<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\OperationRejected;
use App\People\Belongs;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Role;

/** Says what somebody is in a lesson or course, or that they take part no longer. There is always an owner. */
final class GiveRole
{
    public function __construct(private readonly WriteHistory $write, private readonly Notify $notify)
    {
    }

    /** @throws OperationRejected when nobody would own it any more */
    public function __invoke(Lesson|Course $place, User $person, Role $role, AuditAction $deed = AuditAction::RoleGiven): Membership
    {
        return DB::transaction(function () use ($place, $person, $role, $deed): Membership {
            $membership = self::of($place)->firstWhere('user_id', $person->id);
            if ($membership?->role === $role) {
                return $membership;
            }
            if ($membership?->role === Role::Owner) {
                self::mustHaveAnotherOwner($place, $membership);
            }
            $membership ??= new Membership(['user_id' => $person->id, Belongs::column($place) => $place->id]);
            $membership->role = $role;
            $membership->save();
            ($this->write)($deed, $place, ['person' => $person->name, 'role' => $role->value]);
            $called = $place instanceof Course ? $place->name : $place->title;
            if ($deed === AuditAction::Joined) {
                $this->notify->members($place, "{$person->name} takes part in {$called} now, as {$role->value}", 'people');
            } else {
                $this->notify->person($person, $place, "You have been added to {$called} as {$role->value}");
            }

            return $membership;
        });
    }

    /** @throws OperationRejected when nobody would own it any more */
    public function takeAway(Lesson|Course $place, Membership $membership, AuditAction $deed): void
    {
        DB::transaction(function () use ($place, $membership, $deed): void {
            if ($membership->role === Role::Owner) {
                self::mustHaveAnotherOwner($place, $membership);
            }
            $membership->delete();
            ($this->write)($deed, $place, ['person' => $membership->user->name]);
        });
    }

    /** @return Builder<Membership> */
    public static function of(Lesson|Course $place): Builder
    {
        return Membership::query()->where(Belongs::column($place), $place->id);
    }

    private static function mustHaveAnotherOwner(Lesson|Course $place, Membership $but): void
    {
        if (self::of($place)->where('role', Role::Owner)->whereKeyNot($but->id)->doesntExist()) {
            throw OperationRejected::conflict('Somebody has to own it. Make somebody else the owner first.');
        }
    }
}
