<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\StoredFile;

/**
 * Where files that are whole lie for all machines, under the names they have on the media disk. Each machine keeps copies of
 * what it uses.
 */
interface SharedDisk
{
    /** Whether there is one. On a single machine, and where all see the same folder, there is none. */
    public function isThere(): bool;

    /**
     * Puts a file of this machine there, in one step; one of that name is replaced.
     *
     * @throws SharedDiskAway
     */
    public function put(string $name, string $file): void;

    /**
     * Has the file at a path of this machine, byte for byte as it was put there.
     *
     * @return int|null when it was put there, Unix time; null when there is none of that name
     *
     * @throws SharedDiskAway|DamagedCopy
     */
    public function fetch(string $name, string $to): ?int;

    /** @throws SharedDiskAway */
    public function find(string $name): ?StoredFile;

    /**
     * Removes a file, or with a name that ends in a slash all of a folder. What is not there is gone already.
     *
     * @throws SharedDiskAway
     */
    public function remove(string $name): void;

    /**
     * @param  string  $folder  without a slash at its end; empty for everything
     * @return \Generator<string, StoredFile> by name, as on the media disk
     *
     * @throws SharedDiskAway
     */
    public function files(string $folder): \Generator;
}
