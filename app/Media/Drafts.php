<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

/**
 * Files that are being made. Each process has a folder of its own for them, locked for as long as the process lives: what
 * lies in a folder that nobody locks was left by one that died, and can go.
 */
final class Drafts
{
    private const LOCK = '.lock';

    /** A folder just made is not locked yet. */
    private const NEW_SECONDS = 10;

    /** What is handed over is opened at once by whoever sends it; on a machine that stands still for a while, a while later. */
    private const HANDED_SECONDS = 60;

    private ?string $folder = null;

    /** @var resource|null */
    private $lock = null;

    /** @param  string  $root  absolute path of the folder that holds the processes' folders */
    public function __construct(private readonly string $root)
    {
    }

    /** @return string path of a file that does not exist yet */
    public function path(string $extension): string
    {
        return $this->folder().'/'.Str::ulid().'.'.$extension;
    }

    /**
     * Keeps a draft for another program that is told of it now and opens it at once; swept away a while later.
     *
     * @return string where it is from now on
     */
    public function handOver(string $draft): string
    {
        $path = $this->root.'/'.basename($draft);
        if (! @touch($draft) || ! @rename($draft, $path)) {
            throw DiskFull::writing('the finished file');
        }

        return $path;
    }

    /** Removes what was handed over, and what processes that died have left. */
    public function sweep(): void
    {
        foreach (glob($this->root.'/*') ?: [] as $left) {
            $isFile = is_file($left);
            $age = time() - (int) @filemtime($left);
            if ($left === $this->folder || $age < ($isFile ? self::HANDED_SECONDS : self::NEW_SECONDS)) {
                continue;
            }
            if ($isFile) {
                @unlink($left);

                continue;
            }
            $lock = @fopen($left.'/'.self::LOCK, 'ce');
            if ($lock !== false && flock($lock, LOCK_EX | LOCK_NB)) {
                File::deleteDirectory($left);
            }
            if ($lock !== false) {
                fclose($lock);
            }
        }
    }

    private function folder(): string
    {
        if ($this->folder !== null && is_dir($this->folder)) {
            return $this->folder;
        }
        $folder = $this->root.'/'.Str::ulid();
        if (! @mkdir($folder, 0o755, true) || ($lock = @fopen($folder.'/'.self::LOCK, 'ce')) === false) {
            throw DiskFull::writing('the draft of a file');
        }
        flock($lock, LOCK_EX | LOCK_NB);
        $this->lock = $lock;

        return $this->folder = $folder;
    }

    public function __destruct()
    {
        if ($this->folder === null) {
            return;
        }
        // What is left here now was given up with its request or job.
        array_map(fn (string $file): bool => @unlink($file), glob($this->folder.'/{*,.lock}', GLOB_BRACE) ?: []);
        @rmdir($this->folder);
        if (is_resource($this->lock)) {
            fclose($this->lock);
        }
    }
}
