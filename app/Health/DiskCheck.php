<?php

declare(strict_types=1);

namespace App\Health;

use App\Media\InfrastructureFailure;
use App\Media\MediaStore;
use League\Flysystem\FilesystemException;

/** Whether there is room for recordings, and they can be written. */
final class DiskCheck implements Check
{
    private const ABOUT = 'media disk';

    /** Bytes that an hour of a presenter takes: camera and screen as they come, and what is made of them. */
    private const AN_HOUR = 8_000_000_000;

    public function __construct(private readonly MediaStore $media)
    {
    }

    public function look(): array
    {
        try {
            $draft = $this->media->draft('health');
            $this->media->fill($draft, 'x');
            unlink($draft);
        } catch (InfrastructureFailure|FilesystemException) {
            return [Finding::bad(
                self::ABOUT, 'Nothing can be written to it.',
                'Free some space, or see that REEL_MEDIA_ROOT names a folder that this user may write.',
            )];
        }
        $free = $this->media->free() - (float) config('reel.reserve_bytes');
        $says = sprintf('%.1f GB are free for recordings.', max(0, $free) / 1e9);

        return [match (true) {
            $free <= 0 => Finding::bad(
                self::ABOUT, 'It is full: no take is accepted.', 'Free some space; see the page /storage.',
            ),
            $free < self::AN_HOUR => Finding::doubtful(
                self::ABOUT, $says, 'An hour of takes may need 8 GB. See the page /storage.',
            ),
            default => Finding::good(self::ABOUT, $says),
        }];
    }
}
