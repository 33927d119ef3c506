<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\AppendedFile;
use App\Media\DiskFull;
use App\Media\MediaStore;
use App\Media\WorkLock;
use App\Models\TakeState;
use App\Models\Track;
use App\Refusal;

/**
 * Adds one chunk to a track's file. Safe to repeat: a chunk that is there already changes nothing. Once this returns,
 * the chunk has reached the disk.
 */
final class AppendChunk
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  int  $number  counted from 0
     * @return int the number wanted next
     *
     * @throws Refusal when the number or checksum is wrong, or the take is finished
     * @throws DiskFull
     */
    public function __invoke(Track $track, int $number, string $bytes, string $sha256): int
    {
        $lock = WorkLock::for("track/{$track->id}");
        try {
            $track->refresh();
            if ($number < $track->next_chunk) {
                return $track->next_chunk;
            }
            if ($track->take->state !== TakeState::Recording) {
                throw Refusal::conflict('This take is finished; nothing can be added to it.', ['next' => $track->next_chunk]);
            }
            if ($number > $track->next_chunk) {
                throw Refusal::conflict('A piece of the recording is missing before this one.', ['next' => $track->next_chunk]);
            }
            if (! hash_equals(hash('sha256', $bytes), strtolower($sha256))) {
                throw Refusal::badInput('A piece of the recording was damaged on its way. It will be sent again.', [
                    'next' => $track->next_chunk,
                ]);
            }
            $this->media->mustHaveRoomFor(strlen($bytes), 'the recording');
            AppendedFile::add($this->media->pathToWrite((string) $track->path), $track->bytes, $bytes);
            $track->update(['next_chunk' => $number + 1, 'bytes' => $track->bytes + strlen($bytes)]);

            return $track->next_chunk;
        } finally {
            $lock->release();
        }
    }
}
