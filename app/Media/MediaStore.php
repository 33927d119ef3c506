<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;

/** The `media` disk, as files that outside programs can open. Names are made here and in the models, never by users. */
final class MediaStore
{
    private ?Drafts $drafts = null;

    public function path(string $relative): string
    {
        return $this->disk()->path($relative);
    }

    /** The same, with the folder made. */
    public function pathToWrite(string $relative): string
    {
        $path = $this->path($relative);
        $this->makeFolder(dirname($path));

        return $path;
    }

    /** A new file's path for work in progress; move it with `settle` when it is whole. */
    public function draft(string $extension): string
    {
        return $this->drafts()->path($extension);
    }

    /** Removes unfinished files of processes that died. */
    public function sweepDrafts(): void
    {
        $this->drafts()->sweep();
    }

    /** Puts a finished draft in its place in one step, so that nobody ever sees half a file. */
    public function settle(string $draft, string $relative): void
    {
        if (! is_file($draft)) {
            throw ProgramFailed::wroteNothing($relative);
        }
        if (! @rename($draft, $this->pathToWrite($relative))) {
            throw DiskFull::writing('the finished file');
        }
    }

    public function write(string $relative, string $content): void
    {
        $draft = $this->draft('part');
        $this->fill($draft, $content);
        $this->settle($draft, $relative);
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
        return $relative === null ? 0 : (int) @filesize($this->path($relative));
    }

    /** @phpstan-impure another process may make it at any time */
    public function exists(?string $relative): bool
    {
        return $relative !== null && is_file($this->path($relative));
    }

    public function delete(?string $relative): void
    {
        if ($relative !== null) {
            @unlink($this->path($relative));
        }
    }

    public function deleteFolder(string $relative): void
    {
        File::deleteDirectory($this->path($relative));
    }

    /**
     * @param  list<string>  $without  folders in it that are passed over
     * @return \Generator<string, int> bytes by the name inside the folder; a lock of a process is no file
     */
    public function filesIn(string $relative, array $without = []): \Generator
    {
        $root = rtrim($this->path($relative), '/');
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
                yield substr($file->getPathname(), strlen($root) + 1) => $bytes;
            }
        }
    }

    public function bytesIn(string $relative): int
    {
        return array_sum(iterator_to_array($this->filesIn($relative)));
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
        $this->makeFolder($this->path(''));
        $free = @disk_free_space($this->path(''));

        return $free === false ? PHP_FLOAT_MAX : $free;
    }

    private function drafts(): Drafts
    {
        return $this->drafts ??= new Drafts($this->path('drafts'));
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
