<?php

declare(strict_types=1);

namespace App\Media;

/** The music and small sounds that ship with the application; they lie with its code, on every machine. */
final class ShippedMusic
{
    /** @var list<array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}>|null */
    private static ?array $all = null;

    /**
     * What is music has `says`.
     *
     * @return list<array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}>
     */
    public static function all(): array
    {
        if (self::$all === null) {
            /** @var list<array{file: string, name: string, says?: string, hash: string, samples: int, lufs: float}> $read */
            $read = json_decode((string) file_get_contents(resource_path('music/index.json')), true, flags: JSON_THROW_ON_ERROR);
            self::$all = $read;
        }

        return self::$all;
    }

    /** @return string|null path of the file of that hash */
    public static function path(string $hash): ?string
    {
        foreach (self::all() as $one) {
            if ($one['hash'] === $hash) {
                return resource_path("music/{$one['file']}");
            }
        }

        return null;
    }
}
