<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\StoredFile;

/** The media disk is all there is. */
final class NoSharedDisk implements SharedDisk
{
    public function isThere(): bool
    {
        return false;
    }

    public function put(string $name, string $file): void
    {
    }

    public function fetch(string $name, string $to): ?int
    {
        return null;
    }

    public function find(string $name): ?StoredFile
    {
        return null;
    }

    public function remove(string $name): void
    {
    }

    public function files(string $folder): \Generator
    {
        yield from [];
    }
}
