<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\People\Belongs;
use App\People\Whoever;
use OpenReel\Core\People\Deed;
use OpenReel\Core\People\Role;

/**
 * Whoever makes a lesson or course owns it. Where one works alone it belongs to whoever signed in here first, or will:
 * see ClaimUnowned.
 */
final class OwnWhatIsMade
{
    public function __construct(private readonly WriteHistory $write)
    {
    }

    public function __invoke(Lesson|Course $made, Deed $deed = Deed::Created): void
    {
        $owner = Whoever::asks() ?? User::whoCameFirst();
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
