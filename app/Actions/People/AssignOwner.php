<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\People\Belongs;
use App\People\CurrentUser;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Role;

/**
 * Whoever makes a lesson or course owns it. Where one works alone it belongs to whoever signed in here first, or will:
 * see AssignOrphans.
 */
final class AssignOwner
{
    public function __construct(private readonly WriteHistory $write)
    {
    }

    public function __invoke(Lesson|Course $made, AuditAction $deed = AuditAction::Created): void
    {
        $owner = CurrentUser::asks() ?? User::whoCameFirst();
        if ($owner !== null) {
            Membership::query()->create([
                'user_id' => $owner->id,
                Belongs::column($made) => $made->id,
                'role' => Role::Owner,
            ]);
        }
        ($this->write)($deed, $made, ['title' => $made instanceof Course ? $made->name : $made->title]);
    }
}
