<?php

declare(strict_types=1);

namespace App\Actions;

use App\Media\AppendedFile;
use App\Media\DiskFull;
use App\Media\MediaStore;
use App\Media\WorkLock;
use App\Models\ChunkedUpload;
use App\OperationRejected;

/**
 * Adds one chunk to a file that comes in pieces: a recording, an archive. Safe to repeat: a chunk that is there already
 * changes nothing. Once this returns, the chunk has reached the disk.
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
     * @throws OperationRejected when the number or checksum is wrong, or nothing can be added any more
     * @throws DiskFull
     */
    public function __invoke(ChunkedUpload $file, int $number, string $bytes, string $sha256): int
    {
        $lock = WorkLock::for("{$file->getTable()}/{$file->id}");
        try {
            $file->refresh();
            $next = ['next' => $file->next_chunk];
            if ($number < $file->next_chunk) {
                return $file->next_chunk;
            }
            if (! $file->isGrowing()) {
                throw OperationRejected::conflict("{$file->called()} is finished; nothing can be added to it.", $next);
            }
            if ($number > $file->next_chunk) {
                throw OperationRejected::conflict('A piece of it is missing before this one.', $next);
            }
            if (! hash_equals(hash('sha256', $bytes), strtolower($sha256))) {
                throw OperationRejected::badInput('A piece of it was damaged on its way. It will be sent again.', $next);
            }
            $this->media->mustHaveRoomFor(strlen($bytes), 'what arrived');
            AppendedFile::add($this->media->pathToWrite((string) $file->path), $file->bytes, $bytes);
            $file->update(['next_chunk' => $number + 1, 'bytes' => $file->bytes + strlen($bytes)]);

            return $file->next_chunk;
        } finally {
            $lock->release();
        }
    }
}
