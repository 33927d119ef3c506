<?php

declare(strict_types=1);

namespace OpenReel\Core\Archive;

use OpenReel\Core\Kernel\DomainError;

final class ArchiveError extends DomainError
{
    public static function unreadable(): self
    {
        return new self('This is no archive of a lesson or a course, or it is damaged. Nothing was brought in.', 'manifest');
    }

    public static function newer(int $version): self
    {
        return new self(
            'This archive was made by a newer Open Reel than this one. Bring it in there, or update this one. Nothing was '
                .'brought in.',
            'version',
            $version,
        );
    }

    /** @param  string  $what  of which there is more than any lesson or course has */
    public static function tooMuch(string $what): self
    {
        return new self(
            'This archive holds more than a lesson or a course can have, or unpacks to far more than it is. Nothing was '
                .'brought in.',
            'too-much', $what,
        );
    }

    /** @param  string  $name  of the file in the archive */
    public static function fileNotListed(string $name): self
    {
        return new self('This archive is not whole: a file it speaks of is not in it. Nothing was brought in.', 'file', $name);
    }

    public static function fileDiffers(string $name): self
    {
        return new self('This archive is damaged: a file in it is not what it was. Nothing was brought in.', 'file', $name);
    }

    public static function strangeFile(string $name): self
    {
        return new self(
            'There is a file in this archive that belongs to no lesson. It was not opened, and nothing was brought in.',
            'file', $name,
        );
    }

    public static function strangeId(string $id): self
    {
        return new self(
            'This archive is damaged: its parts do not belong together. Nothing was brought in.', 'id', $id,
        );
    }
}
