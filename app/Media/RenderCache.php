<?php

declare(strict_types=1);

namespace App\Media;

/**
 * Slow pieces on the media disk, under the hash of everything they were made from. A piece is there when its file is:
 * no database is asked, so any machine that shares the disk can make and use pieces.
 */
final class RenderCache
{
    /** Kinds of pieces, each in a folder of its own. */
    private const KINDS = ['shot', 'join', 'sound', 'part', 'soundtrack', 'bed', 'drawing', 'script', 'voice', 'draft'];

    /** A use is noted when the last one noted is older than this. */
    private const USED_SECONDS = 1800;

    /** Pieces used within this time may be about to be joined. */
    private const FRESH_SECONDS = 4 * 3600;

    /** When there is too much, so much of the limit is left, so that there need not be a sweep for every piece. */
    private const LEFT = 0.9;

    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @phpstan-impure another process may make it at any time */
    public function find(string $kind, string $key, string $extension): ?Rendered
    {
        $path = $this->media->path($this->nameOf($kind, $key, $extension));
        $meta = @file_get_contents($this->media->path($this->nameOf($kind, $key, 'json')));
        if ($meta === false || ! is_file($path)) {
            return null;
        }

        // What is used stays; the time of the last use need not be exact.
        if (time() - (int) @filemtime($path) > self::USED_SECONDS) {
            @touch($path);
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
            $this->media->write(
                $this->nameOf($kind, $key, 'json'),
                json_encode($meta, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            );
            $this->media->settle($draft, $this->nameOf($kind, $key, $extension));

            return new Rendered($this->media->path($this->nameOf($kind, $key, $extension)), $meta);
        } finally {
            @unlink($draft);
            $lock->release();
        }
    }

    /**
     * Removes the pieces that were not used for longest when all of them together are larger than the limit.
     *
     * @param  int  $limit  bytes
     * @return int bytes that were removed
     */
    public function sweep(int $limit): int
    {
        foreach (glob($this->media->path('renders').'/*') ?: [] as $folder) {
            if (! in_array(basename($folder), self::KINDS, true)) {
                // Made by a version that called things otherwise: nobody will ask for it.
                $this->media->deleteFolder('renders/'.basename($folder));
            }
        }
        $pieces = [];
        $all = 0;
        foreach (glob($this->media->path('renders').'/*/*/*') ?: [] as $file) {
            $bytes = (int) @filesize($file);
            $all += $bytes;
            if (! str_ends_with($file, '.json')) {
                $pieces[$file] = [(int) @filemtime($file), $bytes];
            }
        }
        $removed = 0;
        asort($pieces);
        foreach ($all > $limit ? $pieces : [] as $file => [$used, $bytes]) {
            if ($all - $removed <= self::LEFT * $limit || time() - $used < self::FRESH_SECONDS) {
                break;
            }
            // The note goes first: a piece without one is not there.
            @unlink((string) preg_replace('/\.[^.]+$/', '.json', $file));
            @unlink($file);
            $removed += $bytes;
        }

        return $removed;
    }

    public function bytes(): int
    {
        return $this->media->bytesIn('renders');
    }

    /** Where on the media disk a piece lies, or would. */
    public function nameOf(string $kind, string $key, string $extension): string
    {
        return "renders/{$kind}/".substr($key, 0, 2)."/{$key}.{$extension}";
    }
}
