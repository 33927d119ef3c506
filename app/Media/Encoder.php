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
     * @param  float|null  $seconds  it has failed when it takes longer
     * @return string the log
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function run(array $arguments, ?callable $progress = null, ?float $seconds = null): string;
}
