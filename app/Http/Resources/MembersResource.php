<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\People\GiveRole;
use App\Models\Course;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\Membership;
use App\People\Belongs;
use App\People\CurrentUser;
use App\People\Memberships;
use Illuminate\Database\Eloquent\Collection;
use OpenReel\Core\People\Right;
use OpenReel\Core\People\Role;

/** Who takes part in a lesson or course, and what they may do there. */
final class MembersResource
{
    /** @return array<string, mixed> */
    public static function of(Lesson|Course $place): array
    {
        $standing = Memberships::in($place);
        $course = $place instanceof Lesson ? $place->course : null;

        return [
            'may' => array_column($standing->rights(), 'value'),
            'roles' => array_map(fn (Role $r): array => ['role' => $r->value, 'says' => $r->description()], Role::cases()),
            'members' => self::withThoseOfCourse(
                self::members($place, false), $course === null ? [] : self::members($course, true),
            ),
            'invitations' => $standing->may(Right::Own) ? self::invitations($place) : [],
        ];
    }

    /**
     * Somebody who is the same in both is named once.
     *
     * @param  list<array<string, mixed>>  $own
     * @param  list<array<string, mixed>>  $through
     * @return list<array<string, mixed>>
     */
    private static function withThoseOfCourse(array $own, array $through): array
    {
        $known = array_map(fn (array $m): string => "{$m['email']} {$m['role']}", $own);

        return [...$own, ...array_values(array_filter(
            $through,
            fn (array $m): bool => ! in_array("{$m['email']} {$m['role']}", $known, true),
        ))];
    }

    /** @return list<array<string, mixed>> owners first, then by name */
    private static function members(Lesson|Course $place, bool $throughCourse): array
    {
        $order = array_flip(array_column(Role::cases(), 'value'));

        return array_values(GiveRole::of($place)->with('user')->get()
            ->sortBy(fn (Membership $m): array => [$order[$m->role->value], mb_strtolower($m->user->name)])
            ->map(fn (Membership $m): array => [
                'id' => $m->id,
                'name' => $m->user->name,
                'email' => $m->user->email,
                'role' => $m->role->value,
                'through_course' => $throughCourse,
                'you' => $m->user_id === CurrentUser::asks()?->id,
            ])
            ->all());
    }

    /** @return list<array<string, mixed>> */
    private static function invitations(Lesson|Course $place): array
    {
        /** @var Collection<int, Invitation> $open */
        $open = Invitation::query()
            ->where(Belongs::column($place), $place->id)
            ->where('ends_at', '>', now())
            ->orderBy('created_at')
            ->get();

        return array_values($open
            ->map(fn (Invitation $i): array => [
                'id' => $i->id,
                'role' => $i->role->value,
                'made_at' => $i->created_at->toIso8601ZuluString(),
                'ends_at' => $i->ends_at->toIso8601ZuluString(),
            ])
            ->all());
    }
}
