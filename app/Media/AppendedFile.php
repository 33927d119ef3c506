<?php

declare(strict_types=1);

namespace App\Media;

/** A file that grows piece by piece. */
final class AppendedFile
{
    /**
     * Adds a piece behind the given number of bytes, and has it reach the disk. What a crash left there is cut off first; a piece
     * that cannot be written whole leaves nothing.
     *
     * @throws DiskFull
     */
    public static function add(string $path, int $after, string $bytes): void
    {
        $file = @fopen($path, 'c');
        if ($file === false) {
            throw DiskFull::writing('the recording');
        }
        try {
            ftruncate($file, max(0, $after));
            fseek($file, $after);
            if (@fwrite($file, $bytes) !== strlen($bytes) || ! @fsync($file)) {
                ftruncate($file, max(0, $after));
                throw DiskFull::writing('the recording');
            }
        } finally {
            fclose($file);
        }
    }
}
