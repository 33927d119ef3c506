<?php

declare(strict_types=1);

namespace App\Readers;

use App\Media\MediaStore;
use App\Models\Lesson;
use App\Models\Music;
use OpenReel\Core\Sound\Bed;

/** The music a lesson can have: three beds and small sounds that ship with the application, and what was brought in. */
final class LessonMusic
{
    /** @var list<array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}>|null */
    private ?array $shipped = null;

    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @return list<Bed> what was brought in comes before what ships: of two with one name it is the one that is meant */
    public function of(Lesson $lesson): array
    {
        return [
            ...array_map(
                fn (Music $m): Bed => new Bed($m->name, $m->hash, $m->samples, $m->lufs, $m->loop_hash, $m->loop_from),
                self::broughtIn($lesson),
            ),
            ...array_values(array_map(self::bed(...), $this->music())),
        ];
    }

    /** @return array<string, Bed> small sounds by name: `card`, `question`, `page` */
    public function sounds(): array
    {
        $sounds = array_filter($this->shipped(), fn (array $one): bool => ! isset($one['says']));

        return array_combine(array_column($sounds, 'name'), array_map(self::bed(...), array_values($sounds)));
    }

    /** @return array<string, string> path on the media disk by hash */
    public function files(Lesson $lesson): array
    {
        $files = [];
        foreach (self::broughtIn($lesson) as $music) {
            $files[$music->hash] = $music->path;
            $files[$music->loop_hash] = $music->loop_path;
        }
        foreach ($this->shipped() as $one) {
            $files[$one['hash']] = self::path($one['hash'], 'ogg');
        }

        return $files;
    }

    /** @return list<array{name: string, says: string, url: string, length_ms: int, own: bool}> to be chosen from */
    public function offered(Lesson $lesson): array
    {
        $offered = [];
        foreach (self::broughtIn($lesson) as $m) {
            $offered[] = [
                'name' => $m->name, 'says' => 'brought in', 'url' => "/api/music/{$m->hash}",
                'length_ms' => intdiv($m->samples, 48), 'own' => true,
            ];
        }
        foreach ($this->music() as $one) {
            $offered[] = [
                'name' => $one['name'], 'says' => $one['says'] ?? '', 'url' => "/api/music/{$one['hash']}",
                'length_ms' => intdiv($one['samples'], 48), 'own' => false,
            ];
        }

        return $offered;
    }

    /** @return string|null on the media disk; null when there is none of that hash */
    public function find(string $hash): ?string
    {
        foreach ($this->shipped() as $one) {
            if ($one['hash'] === $hash) {
                return self::path($hash, 'ogg');
            }
        }
        $music = Music::query()->where('hash', $hash)->orWhere('loop_hash', $hash)->first();

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
        return array_filter($this->shipped(), fn (array $one): bool => isset($one['says']));
    }

    /** @param  array{name: string, hash: string, samples: int, lufs: float}  $one */
    private static function bed(array $one): Bed
    {
        return new Bed($one['name'], $one['hash'], $one['samples'], (float) $one['lufs']);
    }

    /**
     * What ships is put on the media disk, so that every machine that shares it can make films with it.
     *
     * @return list<array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}>
     */
    private function shipped(): array
    {
        if ($this->shipped !== null) {
            return $this->shipped;
        }
        $folder = resource_path('music');
        /** @var list<array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}> $shipped */
        $shipped = json_decode((string) file_get_contents("{$folder}/index.json"), true, flags: JSON_THROW_ON_ERROR);
        foreach ($shipped as $one) {
            $path = self::path($one['hash'], 'ogg');
            if (! $this->media->exists($path)) {
                $this->media->settle($this->media->copied("{$folder}/{$one['file']}", 'ogg'), $path);
            }
        }

        return $this->shipped = $shipped;
    }
}
