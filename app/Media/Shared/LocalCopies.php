<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\MediaStore;
use App\Media\StoredFile;

/** What this machine keeps of the files that lie on the shared disk: those used last, up to a limit. */
final class LocalCopies
{
    /** What was used within this time may be in use now. */
    private const FRESH_SECONDS = 3600;

    /** When there is too much, so much of the limit is left. */
    private const LEFT = 0.9;

    public function __construct(private readonly MediaStore $media, private readonly SharedDisk $shared)
    {
    }

    /**
     * Removes the copies that were not used for longest when there is more than the limit. What the shared disk does not have
     * stays.
     *
     * @param  int  $limit  bytes
     * @return int bytes that were removed
     *
     * @throws SharedDiskAway
     */
    public function sweep(int $limit): int
    {
        if (! $this->shared->isThere()) {
            return 0;
        }
        /** @var array<string, StoredFile> $here */
        $here = iterator_to_array($this->media->filesHere('', MediaStore::OWN));
        $all = array_sum(array_column($here, 'bytes'));
        $used = [];
        foreach ($all > $limit ? $here : [] as $name => $file) {
            $used[$name] = max($file->made, $this->media->lastUsed($name));
        }
        asort($used);
        $removed = 0;
        foreach ($used as $name => $at) {
            if ($all - $removed <= self::LEFT * $limit || time() - $at < self::FRESH_SECONDS) {
                break;
            }
            $removed += $this->media->evict($name) ? $here[$name]->bytes : 0;
        }

        return $removed;
    }
}
