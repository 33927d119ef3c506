<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\User;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Role;

/** What was made while nobody signed in belongs to the first who does. */
final class AssignOrphans
{
    public function __construct(private readonly GiveRole $give)
    {
    }

    /** @return int how many lessons and courses were given */
    public function __invoke(User $person): int
    {
        $given = 0;
        foreach ([Course::withTrashed(), Lesson::withTrashed()] as $all) {
            foreach ($all->get() as $place) {
                if (GiveRole::of($place)->where('role', Role::Owner)->doesntExist()) {
                    ($this->give)($place, $person, Role::Owner, AuditAction::RoleGiven);
                    $given++;
                }
            }
        }

        return $given;
    }
}
