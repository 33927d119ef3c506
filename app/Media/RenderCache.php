<?php

declare(strict_types=1);

namespace App\Media;

/**
 * Slow pieces on the media disk, under the hash of everything they were made from. A piece is there when its file is:
 * no database is asked, so any machine that shares the disk can make and use pieces.
 */
final class RenderCache
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @phpstan-impure another process may make it at any time */
    public function find(string $kind, string $key, string $extension): ?Rendered
    {
        $path = $this->media->path($this->name($kind, $key, $extension));
        $meta = @file_get_contents($this->media->path($this->name($kind, $key, 'json')));
        if ($meta === false || ! is_file($path)) {
            return null;
        }

        return new Rendered($path, (array) json_decode($meta, true));
    }

    /**
     * The piece from the cache, or made now. Two processes never make the same piece at the same time.
     *
     * @param  callable(string $draft): array<string, mixed>  $make  writes the file, returns what it measured
     */
    public function findOrMake(string $kind, string $key, string $extension, callable $make): Rendered
    {
        if (($found = $this->find($kind, $key, $extension)) !== null) {
            return $found;
        }
        $lock = WorkLock::for("render/{$key}");
        $draft = $this->media->draft($extension);
        try {
            // Another process may have made it while this one waited for the lock.
            $made = $this->find($kind, $key, $extension);
            if ($made !== null) {
                return $made;
            }
            $meta = $make($draft);
            $this->media->write($this->name($kind, $key, 'json'), json_encode($meta, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
            $this->media->settle($draft, $this->name($kind, $key, $extension));

            return new Rendered($this->media->path($this->name($kind, $key, $extension)), $meta);
        } finally {
            @unlink($draft);
            $lock->release();
        }
    }

    private function name(string $kind, string $key, string $extension): string
    {
        return "renders/{$kind}/".substr($key, 0, 2)."/{$key}.{$extension}";
    }
}
