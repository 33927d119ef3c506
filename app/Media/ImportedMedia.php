<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Archive\ArchiveError;
use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\Manifest;
use OpenReel\Core\Take\TakeLength;

/** Whether a file that came with an archive is what its name says: programs that open ours later do not ask again. */
final class ImportedMedia
{
    private const PICTURES = ['png' => IMAGETYPE_PNG, 'jpg' => IMAGETYPE_JPEG, 'webp' => IMAGETYPE_WEBP];

    public function __construct(private readonly Prober $prober)
    {
    }

    /** @throws ArchiveError */
    public function mustBe(ArchiveFile $file, string $path): void
    {
        $kind = pathinfo($file->name, PATHINFO_EXTENSION);
        $is = match ($kind) {
            'png', 'jpg', 'webp' => $this->isPicture($path, self::PICTURES[$kind]),
            'webm', 'mp4', 'flac' => $this->isMedia($path, $kind === 'flac'),
            'json' => self::isTold($path, basename($file->name, '.json')),
            // Slides that are drawn again are opened without trust then; levels and events are read byte by byte.
            default => true,
        };
        if (! $is) {
            throw ArchiveError::strangeFile($file->name);
        }
    }

    /** @param  string  $what  `wave` or `heard` */
    private static function isTold(string $path, string $what): bool
    {
        try {
            Schema::mustHold(
                json_decode((string) file_get_contents($path), flags: JSON_THROW_ON_ERROR),
                'archive-'.Manifest::VERSION.'.json',
                "{$what}_file",
            );
        } catch (ArchiveError|\JsonException) {
            return false;
        }

        return true;
    }

    private function isPicture(string $path, int $type): bool
    {
        $info = @getimagesize($path);

        return $info !== false && $info[2] === $type && config('reel.limits.slide_pixels') >= $info[0] * $info[1];
    }

    private function isMedia(string $path, bool $isSound): bool
    {
        try {
            $facts = $this->prober->recording($path);
        } catch (ProgramFailed) {
            return false;
        }

        if ($facts->seconds > TakeLength::LONGEST_SECONDS) {
            return false;
        }

        return $isSound ? $facts->audioCodec === 'flac' && $facts->videoCodec === null : $facts->videoCodec !== null;
    }
}
