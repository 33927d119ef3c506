<?php

declare(strict_types=1);

namespace App\Queries\Lessons;

use App\Media\ShippedMusic;
use App\Models\Lesson;
use App\Models\Music;
use App\People\Memberships;
use Illuminate\Database\Eloquent\Builder;
use OpenReel\Core\Sound\MusicTrack;

/** The music a lesson can have: three beds and small sounds that ship with the application, and what was brought in. */
final class LessonMusic
{
    /** @return list<MusicTrack> what was brought in comes before what ships: of two with one name it is the one that is meant */
    public function of(Lesson $lesson): array
    {
        return [
            ...array_map(
                fn (Music $m): MusicTrack => new MusicTrack($m->name, $m->hash, $m->samples, $m->lufs, $m->loop_hash, $m->loop_from),
                self::broughtIn($lesson),
            ),
            ...array_values(array_map(self::bed(...), $this->music())),
        ];
    }

    /** @return array<string, MusicTrack> small sounds by name: `card`, `question`, `page` */
    public function sounds(): array
    {
        $sounds = array_filter(ShippedMusic::all(), fn (array $one): bool => ! isset($one['says']));

        return array_combine(array_column($sounds, 'name'), array_map(self::bed(...), array_values($sounds)));
    }

    /** @return array<string, string> path on the media disk by hash, of what was brought in */
    public function files(Lesson $lesson): array
    {
        $files = [];
        foreach (self::broughtIn($lesson) as $music) {
            $files[$music->hash] = $music->path;
            $files[$music->loop_hash] = $music->loop_path;
        }

        return $files;
    }

    /** @return list<array{name: string, says: string, url: string, length_ms: int, id: string|null}> to be chosen from */
    public function offered(Lesson $lesson): array
    {
        $offered = [];
        foreach (self::broughtIn($lesson) as $m) {
            $offered[] = [
                'name' => $m->name, 'says' => 'brought in', 'url' => "/api/music/{$m->hash}",
                'length_ms' => intdiv($m->samples, 48), 'id' => $m->id,
            ];
        }
        foreach ($this->music() as $one) {
            $offered[] = [
                'name' => $one['name'], 'says' => $one['says'] ?? '', 'url' => "/api/music/{$one['hash']}",
                'length_ms' => intdiv($one['samples'], 48), 'id' => null,
            ];
        }

        return $offered;
    }

    /** @return string|null on the media disk; null when nothing of that hash was brought in */
    public function find(string $hash): ?string
    {
        // Also what was removed: it may be watched in another window, and come back.
        $music = Memberships::music(Music::withTrashed())
            ->where(fn (Builder $either) => $either->where('hash', $hash)->orWhere('loop_hash', $hash))
            ->first();

        return $music === null ? null : ($music->hash === $hash ? $music->path : $music->loop_path);
    }

    /** @return string on the media disk */
    public static function path(string $hash, string $extension): string
    {
        return "music/{$hash}.{$extension}";
    }

    /** @return list<Music> the last one first */
    public static function broughtIn(Lesson $lesson): array
    {
        $own = Music::query()->where('lesson_id', $lesson->id);
        $query = $lesson->course_id === null ? $own : $own->orWhere('course_id', $lesson->course_id);

        return array_values($query->get()->sortByDesc('id')->all());
    }

    /** @return array<int, array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}> */
    private function music(): array
    {
        return array_filter(ShippedMusic::all(), fn (array $one): bool => isset($one['says']));
    }

    /** @param  array{name: string, hash: string, samples: int, lufs: float}  $one */
    private static function bed(array $one): MusicTrack
    {
        return new MusicTrack($one['name'], $one['hash'], $one['samples'], (float) $one['lufs']);
    }
}
