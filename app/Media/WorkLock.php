<?php

declare(strict_types=1);

namespace App\Media;

/**
 * A lock between processes that the operating system opens again when its holder dies, however it dies. So work that
 * was cut off can be taken up at once, and work still going on is never done twice.
 */
final class WorkLock
{
    /** @param  resource  $file */
    private function __construct(private $file)
    {
    }

    /** @return self|null null when another process holds it */
    public static function tryFor(string $name): ?self
    {
        $folder = storage_path('framework/locks');
        if (! is_dir($folder)) {
            @mkdir($folder, 0o755, true);
        }
        // Closed in programs that are started: a lock ends with the process that took it.
        $file = fopen($folder.'/'.hash('xxh128', $name), 'ce');
        if ($file === false || ! flock($file, LOCK_EX | LOCK_NB)) {
            return null;
        }

        return new self($file);
    }

    /** Waits until it is free, letting other work go on meanwhile. */
    public static function for(string $name): self
    {
        while (($lock = self::tryFor($name)) === null) {
            Program::wait();
        }

        return $lock;
    }

    public function release(): void
    {
        flock($this->file, LOCK_UN);
        fclose($this->file);
    }
}
