<?php

declare(strict_types=1);

namespace App\Queries\People;

use App\Models\Course;
use App\Models\HistoryEntry;
use App\Models\Lesson;
use App\People\Belongs;
use App\People\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** What was done to a lesson, or to a course and its lessons, the newest first. */
final class History
{
    private const PAGE = 50;

    /**
     * @param  string|null  $before  id of the last entry that is known
     * @return array{entries: list<array<string, mixed>>, more: bool}
     */
    public function page(Lesson|Course $place, ?string $before = null): array
    {
        /** @var Collection<int, HistoryEntry> $found */
        $found = self::of($place)
            ->when($before, fn (Builder $q, string $id) => $q->where('id', '<', $id))
            ->orderByDesc('id')
            ->limit(self::PAGE + 1)
            ->get();

        return [
            'entries' => array_values($found->take(self::PAGE)->map(fn (HistoryEntry $e): array => [
                'id' => $e->id,
                'who' => $e->person ?? (CurrentUser::signsIn() ? 'Somebody at the server' : 'You'),
                'deed' => $e->deed->value,
                'says' => $e->deed->message($e->about),
                'at' => $e->created_at->toIso8601ZuluString(),
            ])->all()),
            'more' => $found->count() > self::PAGE,
        ];
    }

    /**
     * All of it, the oldest first, as programs read it: a JSON object a row. Null tells of everything that was ever done here.
     *
     * @return iterable<string>
     */
    public function rows(Lesson|Course|null $place): iterable
    {
        $entries = $place === null ? HistoryEntry::query() : self::of($place);
        foreach ($entries->lazyById(500, 'id') as $entry) {
            yield json_encode([
                'at' => $entry->created_at->toIso8601ZuluString(),
                'person' => $entry->user_id,
                'name' => $entry->person,
                'deed' => $entry->deed->value,
                'lesson' => $entry->lesson_id,
                'course' => $entry->course_id,
                'about' => (object) $entry->about,
            ], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
        }
    }

    /** @return Builder<HistoryEntry> */
    private static function of(Lesson|Course $place): Builder
    {
        return HistoryEntry::query()->where(Belongs::column($place), $place->id);
    }
}
