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
    private const KINDS = [
        'shot', 'join', 'sound', 'part', 'soundtrack', 'bed', 'drawing', 'script', 'voice', 'draft', 'heard', 'look', 'page',
    ];

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
    public function has(string $kind, string $key, string $extension): bool
    {
        return is_file($this->media->here($this->nameOf($kind, $key, 'json')))
            && is_file($this->media->here($this->nameOf($kind, $key, $extension)));
    }

    /**
     * The piece, if this machine has it: asking a shared disk for each would take longer than most answers.
     *
     * @phpstan-impure another process may make it at any time
     */
    public function find(string $kind, string $key, string $extension): ?Rendered
    {
        $path = $this->media->here($this->nameOf($kind, $key, $extension));
        $meta = @file_get_contents($this->media->here($this->nameOf($kind, $key, 'json')));
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
     * The piece from the cache, of this machine or of all, or made now. No two processes make the same piece at the same time.
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
            // Another process may have made it while this one waited for the lock, or on another machine.
            $this->fetch($kind, $key, $extension);
            $made = $this->find($kind, $key, $extension);
            if ($made !== null) {
                return $made;
            }
            $meta = $make($draft);
            $this->media->write(
                $this->nameOf($kind, $key, 'json'),
                json_encode($meta, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            );
            $this->media->commit($draft, $this->nameOf($kind, $key, $extension));

            return new Rendered($this->media->here($this->nameOf($kind, $key, $extension)), $meta);
        } finally {
            @unlink($draft);
            $lock->release();
        }
    }

    /** Has this machine have a piece that another one made. */
    public function fetch(string $kind, string $key, string $extension): void
    {
        if (is_file($this->media->path($this->nameOf($kind, $key, 'json')))) {
            $this->media->path($this->nameOf($kind, $key, $extension));
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
        $pieces = $others = [];
        $all = 0;
        foreach ($this->media->filesIn('renders') as $name => $file) {
            $folder = (string) strstr($name, '/', true);
            if (! in_array($folder, self::KINDS, true)) {
                // Made by a version that called things otherwise: nobody will ask for it.
                $others[$folder] = true;

                continue;
            }
            $all += $file->bytes;
            if (! str_ends_with($name, '.json')) {
                $pieces["renders/{$name}"] = [$file->made, $file->bytes];
            }
        }
        array_map(fn (string $folder) => $this->media->deleteFolder("renders/{$folder}"), array_keys($others));
        $removed = 0;
        asort($pieces);
        foreach ($all > $limit ? $pieces : [] as $name => [$used, $bytes]) {
            if ($all - $removed <= self::LEFT * $limit || time() - $used < self::FRESH_SECONDS) {
                break;
            }
            // The note goes first: a piece without one is not there.
            $this->media->delete((string) preg_replace('/\.[^.]+$/', '.json', $name));
            $this->media->delete($name);
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
