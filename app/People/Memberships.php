<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Logo;
use App\Models\Membership;
use App\Models\Music;
use App\Models\User;
use Illuminate\Contracts\Database\Query\Builder;
use Illuminate\Database\Eloquent\Builder as Eloquent;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\Permissions;
use OpenReel\Core\People\Right;
use OpenReel\Core\People\Role;

/** What whoever asks is in lessons and courses, and which of them they may see at all. */
final class Memberships
{
    public static function in(Lesson|Course $place, ?User $person = null): Permissions
    {
        if (! CurrentUser::signsIn()) {
            return Permissions::alone();
        }
        $person ??= CurrentUser::asks();
        if ($person === null) {
            return Permissions::of();
        }

        return Permissions::of(...Membership::query()
            ->where('user_id', $person->id)
            ->where(fn (Eloquent $either) => $place instanceof Course
                ? $either->where('course_id', $place->id)
                : $either->where('lesson_id', $place->id)
                    ->when($place->course_id, fn (Eloquent $q, string $course) => $q->orWhere('course_id', $course)))
            ->get()
            ->map(fn (Membership $m): Role => $m->role)
            ->all());
    }

    /** @return \Closure(Lesson): Permissions the same for many lessons, asked for once */
    public static function inMany(): \Closure
    {
        if (! CurrentUser::signsIn()) {
            return fn (Lesson $lesson): Permissions => Permissions::alone();
        }
        $roles = [];
        foreach (Membership::query()->where('user_id', CurrentUser::asks()->id ?? '')->get() as $membership) {
            $roles[$membership->lesson_id ?? $membership->course_id][] = $membership->role;
        }

        return fn (Lesson $lesson): Permissions => Permissions::of(...$roles[$lesson->id] ?? [], ...$roles[$lesson->course_id] ?? []);
    }

    public static function may(Right $right, Lesson|Course $place): bool
    {
        return self::in($place)->may($right);
    }

    /**
     * Narrows a query to lessons that whoever asks may see.
     *
     * @template T of Builder
     *
     * @param  T  $query
     * @return T
     */
    public static function lessons(Builder $query, string $id = 'lessons.id', string $course = 'lessons.course_id'): Builder
    {
        if (CurrentUser::signsIn()) {
            $query->where(fn (Builder $either) => $either
                ->whereIn($id, self::mine('lesson_id'))
                ->orWhereIn($course, self::mine('course_id')));
        }

        return $query;
    }

    /**
     * Narrows a query to courses in which whoever asks takes part.
     *
     * @template T of Builder
     *
     * @param  T  $query
     * @return T
     */
    public static function courses(Builder $query, string $id = 'courses.id'): Builder
    {
        if (CurrentUser::signsIn()) {
            $query->whereIn($id, self::mine('course_id'));
        }

        return $query;
    }

    /**
     * Narrows a query to logos of courses whose lessons whoever asks may see.
     *
     * @param  Eloquent<Logo>  $query
     * @return Eloquent<Logo>
     */
    public static function logos(Eloquent $query): Eloquent
    {
        if (CurrentUser::signsIn()) {
            $query->whereIn('course_id', self::lenders());
        }

        return $query;
    }

    /**
     * Narrows a query to music that lessons may have which whoever asks may see.
     *
     * @param  Eloquent<Music>  $query
     * @return Eloquent<Music>
     */
    public static function music(Eloquent $query): Eloquent
    {
        if (CurrentUser::signsIn()) {
            $query->where(fn (Eloquent $either) => $either
                ->whereIn('course_id', self::lenders())
                ->orWhereIn('lesson_id', self::mine('lesson_id')));
        }

        return $query;
    }

    /** Courses that are one's own, and those of lessons that are. */
    private static function lenders(): Query
    {
        return DB::table('lessons')
            ->whereIn('id', self::mine('lesson_id'))
            ->whereNotNull('course_id')
            ->select('course_id')
            ->union(self::mine('course_id'));
    }

    private static function mine(string $key): Query
    {
        return DB::table('memberships')
            ->where('user_id', CurrentUser::asks()->id ?? '')
            ->whereNotNull($key)
            ->select($key);
    }
}
