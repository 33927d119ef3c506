<?php

declare(strict_types=1);

namespace App\Media;

/** Locks of the operating system on files of this machine. */
final class FileLocks implements Locks
{
    public function __construct(private readonly string $folder)
    {
    }

    public function tryFor(string $name): ?Lock
    {
        if (! is_dir($this->folder)) {
            @mkdir($this->folder, 0o755, true);
        }
        // Closed in programs that are started: a lock ends with the process that took it.
        $file = fopen($this->folder.'/'.hash('xxh128', $name), 'ce');

        return $file === false || ! flock($file, LOCK_EX | LOCK_NB) ? null : new FileLock($file);
    }
}
