<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Export;
use App\Models\Version;
use App\Models\WorkState;

/** Films that nobody needs any more: a newer one is there, and they are not published, not even as an earlier version. */
final class OlderFilms
{
    /** @return list<Export> */
    public static function of(string $lesson): array
    {
        /** @var list<Export> $films the newest first */
        $films = Export::query()
            ->where('lesson_id', $lesson)
            ->where('state', WorkState::Done)
            ->latest()
            ->orderByDesc('id')
            ->get()
            ->all();
        $published = Version::query()->whereIn('export_id', array_column($films, 'id'))->pluck('export_id')->all();
        $newest = [];
        foreach ($films as $film) {
            // A draft is nothing any more once the presenter's own voice is heard throughout.
            if (! $film->draft || $newest === []) {
                $newest += [json_encode($film->edition()->toArray()) => $film->id];
            }
        }

        return array_values(array_filter(
            $films,
            fn (Export $e): bool => ! in_array($e->id, $newest, true) && ! in_array($e->id, $published, true),
        ));
    }
}
