<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\Notice;
use App\Models\User;
use App\People\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use OpenReel\Core\Kernel\PlainText;

/** Tells those who take part what somebody else did. Where one works alone there is nobody to tell. */
final class Notify
{
    private const SHOWN = 240;

    /** Older notices than this are forgotten, read or not. */
    public const DAYS = 90;

    /** @param  string|null  $room  of a lesson, that it leads to */
    public function members(Lesson|Course $place, string $says, ?string $room = null): void
    {
        if (! CurrentUser::signsIn()) {
            return;
        }
        $course = $place instanceof Lesson ? $place->course_id : $place->id;
        $people = Membership::query()
            ->where(fn (Builder $either) => $either
                ->when($place instanceof Lesson, fn (Builder $q) => $q->where('lesson_id', $place->id))
                ->when($course !== null, fn (Builder $q) => $q->orWhere('course_id', $course)))
            ->whereNot('user_id', CurrentUser::asks()->id ?? '')
            ->distinct()
            ->pluck('user_id');
        foreach ($people as $person) {
            self::tell($person, $says, self::path($place, $room));
        }
    }

    public function person(User $person, Lesson|Course $place, string $says): void
    {
        if (CurrentUser::signsIn() && $person->id !== CurrentUser::asks()?->id) {
            self::tell($person->id, $says, self::path($place));
        }
    }

    private static function tell(string $person, string $says, string $path): void
    {
        Notice::query()->create([
            'user_id' => $person, 'says' => mb_strimwidth(PlainText::row($says), 0, self::SHOWN, '…', 'UTF-8'), 'path' => $path,
        ]);
    }

    private static function path(Lesson|Course $place, ?string $room = null): string
    {
        return ($place instanceof Lesson ? "/lessons/{$place->id}" : "/courses/{$place->id}").($room === null ? '' : "/{$room}");
    }
}
