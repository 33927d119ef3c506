<?php

declare(strict_types=1);

namespace App\Media;

/** Makes media files from media files. */
interface Encoder
{
    /** Part of every cache key: another version makes other files. */
    public function version(): string;

    /**
     * Runs one command to its end. Inside a Workshop other commands run meanwhile.
     *
     * @param  list<string>  $arguments  as made by the core; no shell is involved
     * @param  (callable(int $frames): void)|null  $progress  told how many frames are done; may throw to stop the command
     * @return string the log
     *
     * @throws ProgramMissing|ProgramFailed|DiskFull
     */
    public function run(array $arguments, ?callable $progress = null): string;
}
