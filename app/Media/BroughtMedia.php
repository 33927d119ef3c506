<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\ArchiveProblem;

/** Whether a file that came with an archive is what its name says: programs that open ours later do not ask again. */
final class BroughtMedia
{
    private const PICTURES = ['png' => IMAGETYPE_PNG, 'jpg' => IMAGETYPE_JPEG, 'webp' => IMAGETYPE_WEBP];

    public function __construct(private readonly Prober $prober)
    {
    }

    /** @throws ArchiveProblem */
    public function mustBe(ArchiveFile $file, string $path): void
    {
        $kind = pathinfo($file->name, PATHINFO_EXTENSION);
        $is = match ($kind) {
            'png', 'jpg', 'webp' => $this->isPicture($path, self::PICTURES[$kind]),
            'webm', 'mp4', 'flac' => $this->isMedia($path, $kind === 'flac'),
            'json' => is_array(json_decode((string) file_get_contents($path), true)),
            // Slides that are drawn again are opened without trust then; levels and events are read byte by byte.
            default => true,
        };
        if (! $is) {
            throw ArchiveProblem::strangeFile($file->name);
        }
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

        return $isSound ? $facts->audioCodec === 'flac' && $facts->videoCodec === null : $facts->videoCodec !== null;
    }
}
