<?php

declare(strict_types=1);

namespace App\Media;

use App\Media\Shared\PendingOp;
use App\Media\Shared\SharedDisk;
use App\Media\Shared\SharedDiskAway;
use App\Media\Shared\UploadJournal;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;

/**
 * The `media` disk, as files that outside programs can open. Names are made here and in the models, never by users. Where
 * machines share a disk beside it, what is whole goes there at once, and what is not here comes from there.
 */
final class MediaStore
{
    /** Folders of this machine alone. */
    public const OWN = ['drafts', UploadJournal::FOLDER];

    /** A use of a copy is noted when the last one noted is older than this. */
    private const USED_SECONDS = 1800;

    private ?Drafts $drafts = null;

    /** @var array<string, string> SHA-256 of files, as long as they are as they were */
    private array $hashes = [];

    public function __construct(private readonly SharedDisk $shared)
    {
    }

    /**
     * Where a file lies, or would.
     *
     * @throws SharedDiskAway when it may lie there, and not here
     */
    public function path(string $relative): string
    {
        $path = $this->here($relative);
        if ($this->shared->isThere()) {
            clearstatcache(true, $path);
            if (! is_file($path)) {
                $this->fetch($relative);
            } elseif (time() - (int) @fileatime($path) > self::USED_SECONDS) {
                // What is used stays (see LocalCopies).
                @touch($path, (int) @filemtime($path), time());
            }
        }

        return $path;
    }

    /**
     * The same, of exactly the file that is meant: read again, a take has other files of the same names, and a machine that only
     * reads may still have those of before.
     *
     * @throws SharedDiskAway
     * @throws MissingFile when there is another one now
     */
    public function original(string $relative, string $sha256): string
    {
        $path = $this->path($relative);
        $mayBeOld = $this->shared->isThere() && ! config('reel.has_database');
        if (! $mayBeOld || preg_match('#^lessons/[^/]+/takes/#', $relative) !== 1 || $this->hasHash($path, $sha256)) {
            return $path;
        }
        @unlink($path);

        return $this->hasHash($this->path($relative), $sha256) ? $path : throw MissingFile::named($sha256);
    }

    /**
     * Where a file lies on this machine, or would; whether the shared disk has it is not asked.
     *
     * @throws \LogicException when that is not on the media disk: such a name was never made here
     */
    public function here(string $relative): string
    {
        $root = rtrim($this->disk()->path(''), '/');
        if (! self::isPlain($relative) || self::leadsOut($root, "{$root}/{$relative}")) {
            throw new \LogicException("\"{$relative}\" is no place on the media disk.");
        }

        return "{$root}/{$relative}";
    }

    /** Whether a name means something in a folder of the media disk, and not beside it. */
    public static function isInFolder(string $relative, string $folder): bool
    {
        return self::isPlain($relative) && str_starts_with($relative, "{$folder}/");
    }

    /** Whether it is made of names only: not from the top, not upwards, nothing hidden in it. */
    private static function isPlain(string $relative): bool
    {
        return ! str_starts_with($relative, '/') && preg_match('#(^|/)\.\.?(/|$)|[\x00-\x1f\\\\]#', $relative) !== 1;
    }

    /** Whether a link on the way leads somewhere else. */
    private static function leadsOut(string $root, string $path): bool
    {
        $home = realpath($root);
        while (($real = realpath($path)) === false && $path !== $root && ! is_link($path)) {
            $path = dirname($path);
        }

        return $home !== false && $real !== $home && ! str_starts_with((string) $real, "{$home}/");
    }

    /** The same with its folder, for a file that grows; see `share`. */
    public function pathToWrite(string $relative): string
    {
        $path = $this->here($relative);
        $this->makeFolder(dirname($path));

        return $path;
    }

    /** A new file's path for work in progress; move it with `settle` when it is whole. */
    public function draft(string $extension): string
    {
        return $this->drafts()->path($extension);
    }

    /** @return string where a draft is that another program opens at once; swept away a while later */
    public function handOver(string $draft): string
    {
        return $this->drafts()->handOver($draft);
    }

    /** Removes unfinished files of processes that died. */
    public function sweepDrafts(): void
    {
        $this->drafts()->sweep();
    }

    /** Puts a finished draft in its place in one step, so that nobody ever sees half a file. */
    public function commit(string $draft, string $relative): void
    {
        if (! is_file($draft)) {
            throw ProgramFailed::wroteNothing($relative);
        }
        $path = $this->pathToWrite($relative);
        $this->journal()->record($relative, PendingOp::Put, function () use ($draft, $path): void {
            @rename($draft, $path) ?: throw DiskFull::writing('the finished file');
        });
    }

    /** A file that has grown here, and will not grow any more, goes to the shared disk when there is time. */
    public function share(string $relative): void
    {
        if (is_file($this->here($relative))) {
            $this->journal()->recordLater($relative);
        }
    }

    /**
     * Has the shared disk have a file of this machine at once, also when it was there before and is not any more.
     *
     * @throws SharedDiskAway
     */
    public function mustBeShared(string $relative): void
    {
        $path = $this->here($relative);
        if ($this->shared->isThere() && is_file($path) && $this->shared->find($relative)?->bytes !== filesize($path)) {
            $this->shared->put($relative, $path);
        }
    }

    /**
     * Does what is still owed to the shared disk.
     *
     * @throws SharedDiskAway
     */
    public function sendUnsent(): void
    {
        $this->journal()->flush();
    }

    /** @return int Unix time at which a file of this machine was used last, to half an hour */
    public function lastUsed(string $relative): int
    {
        return (int) @fileatime($this->here($relative));
    }

    /**
     * Removes this machine's copy of what the shared disk has.
     *
     * @return bool whether it has gone; what the shared disk does not have stays
     *
     * @throws SharedDiskAway
     */
    public function evict(string $relative): bool
    {
        $path = $this->here($relative);
        $isThere = fn (): bool => ! $this->journal()->holds($relative)
            && $this->shared->find($relative)?->bytes === (int) @filesize($path);
        if (! $isThere()) {
            return false;
        }
        $draft = $this->draft('copy');
        if (! @rename($path, $draft)) {
            return false;
        }
        if ($this->journal()->holds($relative) && ! is_file($path)) {
            // Written anew at this moment.
            @rename($draft, $path);

            return false;
        }

        return @unlink($draft);
    }

    /** @return int files that this machine has to put on the shared disk, or remove there */
    public function unsentFiles(): int
    {
        return $this->journal()->count();
    }

    public function write(string $relative, string $content): void
    {
        $draft = $this->draft('part');
        $this->fill($draft, $content);
        $this->commit($draft, $relative);
    }

    /**
     * Writes all of a draft.
     *
     * @throws DiskFull
     */
    public function fill(string $draft, string $content): void
    {
        if (@file_put_contents($draft, $content) !== strlen($content)) {
            @unlink($draft);
            throw DiskFull::writing('the file');
        }
    }

    /**
     * A draft that is a copy of somebody's file.
     *
     * @throws DiskFull
     */
    public function copied(string $file, string $extension): string
    {
        $draft = $this->draft($extension);
        if (! @copy($file, $draft) || @filesize($draft) !== @filesize($file)) {
            @unlink($draft);
            throw DiskFull::writing('the file');
        }

        return $draft;
    }

    public function hash(string $relative): string
    {
        return (string) hash_file('sha256', $this->path($relative));
    }

    public function bytes(?string $relative): int
    {
        return $this->find($relative)->bytes ?? 0;
    }

    /** @phpstan-impure another process may make it at any time */
    public function exists(?string $relative): bool
    {
        return $this->find($relative) !== null;
    }

    /** @phpstan-impure another process may make it at any time */
    public function find(?string $relative): ?StoredFile
    {
        $path = $relative === null || $relative === '' ? null : $this->here($relative);
        if ($path === null) {
            return null;
        }
        clearstatcache(true, $path);

        return is_file($path)
            ? new StoredFile((int) @filesize($path), (int) @filemtime($path))
            : $this->shared->find((string) $relative);
    }

    public function delete(?string $relative): void
    {
        if ($relative !== null && $relative !== '') {
            $this->journal()->record($relative, PendingOp::Remove, fn () => @unlink($this->here($relative)));
        }
    }

    public function deleteFolder(string $relative): void
    {
        $this->journal()->record("{$relative}/", PendingOp::Remove, fn () => File::deleteDirectory($this->here($relative)));
    }

    /**
     * Here and on the shared disk.
     *
     * @param  string  $relative  a folder; empty for everything
     * @param  list<string>  $without  folders in it that are passed over
     * @return \Generator<string, StoredFile> by the name inside the folder; a lock of a process is no file
     */
    public function filesIn(string $relative, array $without = []): \Generator
    {
        $seen = [];
        foreach ($this->filesHere($relative, $without) as $name => $file) {
            $seen[$name] = true;
            yield $name => $file;
        }
        foreach ($this->shared->files($relative) as $name => $file) {
            $inside = $relative === '' ? $name : substr($name, strlen($relative) + 1);
            if (! isset($seen[$inside]) && ! in_array(strstr($inside, '/', true), $without, true)) {
                yield $inside => $file;
            }
        }
    }

    /**
     * @param  list<string>  $without
     * @return \Generator<string, StoredFile> as `filesIn`, of this machine
     */
    public function filesHere(string $relative, array $without = []): \Generator
    {
        $root = rtrim($this->here($relative), '/');
        if (! is_dir($root)) {
            return;
        }
        $folders = new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS);
        $wanted = new \RecursiveCallbackFilterIterator($folders, function (\SplFileInfo $one) use ($without, $root): bool {
            return $one->getPath() !== $root || ! in_array($one->getFilename(), $without, true);
        });
        foreach (new \RecursiveIteratorIterator($wanted, \RecursiveIteratorIterator::LEAVES_ONLY) as $file) {
            // What is removed meanwhile has no size any more.
            $bytes = @filesize($file->getPathname());
            if ($bytes !== false && $file->getFilename()[0] !== '.') {
                yield substr($file->getPathname(), strlen($root) + 1) => new StoredFile($bytes, (int) @$file->getMTime());
            }
        }
    }

    public function bytesIn(string $relative): int
    {
        return array_sum(array_column(iterator_to_array($this->filesIn($relative)), 'bytes'));
    }

    /** @throws DiskFull when less than the reserve would stay free */
    public function mustHaveRoomFor(int $bytes, string $what): void
    {
        if ($this->free() - $bytes < config('reel.reserve_bytes')) {
            throw DiskFull::writing($what);
        }
    }

    /** @return float bytes that are free on the disk */
    public function free(): float
    {
        $this->makeFolder($this->here(''));
        $free = @disk_free_space($this->here(''));

        return $free === false ? PHP_FLOAT_MAX : $free;
    }

    private function drafts(): Drafts
    {
        return $this->drafts ??= new Drafts($this->here('drafts'));
    }

    private function journal(): UploadJournal
    {
        return new UploadJournal($this->shared, $this->here(...));
    }

    private function hasHash(string $path, string $sha256): bool
    {
        clearstatcache(true, $path);
        $state = $path.'/'.@filesize($path).'/'.@filemtime($path);

        return ($this->hashes[$state] ??= (string) @hash_file('sha256', $path)) === $sha256;
    }

    private function fetch(string $relative): void
    {
        if ($relative === '' || in_array(strstr("{$relative}/", '/', true), self::OWN, true)) {
            return;
        }
        $draft = $this->draft('copy');
        try {
            $made = $this->shared->fetch($relative, $draft);
            if ($made !== null) {
                // Its age is that of what it is a copy of.
                @touch($draft, $made, time());
                @rename($draft, $this->pathToWrite($relative)) ?: throw DiskFull::writing('the copy of a file');
            }
        } finally {
            @unlink($draft);
        }
    }

    private function makeFolder(string $folder): void
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o755, true) && ! is_dir($folder)) {
            throw DiskFull::writing('a folder');
        }
    }

    private function disk(): FilesystemAdapter
    {
        $disk = Storage::disk('media');

        return $disk instanceof FilesystemAdapter ? $disk : throw new \LogicException('The media disk must be a local folder.');
    }
}
