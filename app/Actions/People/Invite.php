<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\User;
use App\People\Belongs;
use Illuminate\Support\Str;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Role;

/** A link with which one person may take part, for some days. Only its hash is kept. */
final class Invite
{
    public const DAYS = 14;

    private const LENGTH = 32;

    public function __construct(private readonly WriteHistory $write)
    {
    }

    /** @return string what the link ends with */
    public function __invoke(Lesson|Course $place, User $by, Role $role): string
    {
        $token = Str::random(self::LENGTH);
        Invitation::query()->create([
            'token_hash' => self::hash($token),
            Belongs::column($place) => $place->id,
            'invited_by' => $by->id,
            'role' => $role,
            'ends_at' => now()->addDays(self::DAYS),
        ]);
        ($this->write)(AuditAction::Invited, $place, ['role' => $role->value]);

        return $token;
    }

    /** The invitation behind a link, while it holds. */
    public static function find(string $token): ?Invitation
    {
        return Invitation::query()->where('token_hash', self::hash($token))->where('ends_at', '>', now())->first();
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
