<?php

declare(strict_types=1);

namespace App\Media;

final class FileLock implements Lock
{
    /** @param  resource  $file */
    public function __construct(private $file)
    {
    }

    public function release(): void
    {
        flock($this->file, LOCK_UN);
        fclose($this->file);
    }
}
