<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Archive\ArchiveError;
use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\FirstVersion;
use OpenReel\Core\Archive\Manifest;

/** Somebody's archive, opened without trusting it: only what its manifest names is looked at, and only as much as it says. */
final class ArchiveReader
{
    /** Packed JSON is a tenth to a twentieth of itself; what is a hundredth was made to do harm. */
    private const MOST_RATIO = 100;

    /** Below this a file may be anything, packed as tightly as it likes. */
    private const SMALL_BYTES = 1024 * 1024;

    /** Beside the files a manifest names there are the manifest and a script a lesson. */
    private const MOST_ENTRIES = 201_000;

    private const BLOCK = 128 * 1024;

    private function __construct(private readonly \ZipArchive $zip, public readonly Manifest $manifest)
    {
    }

    /** @throws ArchiveError */
    public static function open(string $path): self
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw ArchiveError::unreadable();
        }
        if ($zip->numFiles > self::MOST_ENTRIES) {
            throw ArchiveError::tooMuch('entries');
        }
        $said = Manifest::decoded(self::manifestOf($zip));
        Schema::mustHold($said, "archive-{$said->version}.json");
        $manifest = Manifest::of($said->version === Manifest::FIRST ? FirstVersion::upgraded($said) : $said);
        foreach ($manifest->files as $file) {
            self::mustBeAsLarge($zip, $file);
        }

        return new self($zip, $manifest);
    }

    /** @throws ArchiveError when it is not there, or is not what it says it is */
    private static function manifestOf(\ZipArchive $zip): string
    {
        $stat = $zip->statName(Manifest::NAME);
        $stream = $stat === false ? false : $zip->getStream(Manifest::NAME);
        if ($stat === false || $stream === false) {
            throw ArchiveError::unreadable();
        }
        if ($stat['size'] > Manifest::MOST_BYTES || self::isBomb($stat)) {
            throw ArchiveError::tooMuch(Manifest::NAME);
        }
        // What the list of an archive says of a file need not be so.
        $json = (string) stream_get_contents($stream, Manifest::MOST_BYTES + 1);
        fclose($stream);

        return $json;
    }

    /** @throws ArchiveError */
    private static function mustBeAsLarge(\ZipArchive $zip, ArchiveFile $file): void
    {
        $stat = $zip->statName($file->name);
        if ($stat === false) {
            throw ArchiveError::fileNotListed($file->name);
        }
        if ($stat['size'] !== $file->bytes) {
            throw ArchiveError::fileDiffers($file->name);
        }
        if (self::isBomb($stat)) {
            throw ArchiveError::tooMuch($file->name);
        }
    }

    /** @param  array<string, mixed>  $stat */
    private static function isBomb(array $stat): bool
    {
        return $stat['size'] > self::SMALL_BYTES && $stat['size'] > self::MOST_RATIO * $stat['comp_size'];
    }

    /**
     * Writes a file of it, when it is what the manifest says.
     *
     * @param  callable(int): void  $wrote  told how many bytes more are there
     *
     * @throws ArchiveError|DiskFull
     */
    public function extract(ArchiveFile $file, string $draft, callable $wrote): void
    {
        $from = $this->zip->getStream($file->name);
        if ($from === false) {
            throw ArchiveError::fileNotListed($file->name);
        }
        $to = @fopen($draft, 'wb');
        if ($to === false) {
            throw DiskFull::writing('the lesson');
        }
        $hash = hash_init('sha256');
        try {
            for ($left = $file->bytes; ($block = fread($from, self::BLOCK)) !== false && $block !== '';) {
                $left -= strlen($block);
                if ($left < 0) {
                    throw ArchiveError::fileDiffers($file->name);
                }
                hash_update($hash, $block);
                if (@fwrite($to, $block) !== strlen($block)) {
                    throw DiskFull::writing('the lesson');
                }
                $wrote(strlen($block));
            }
        } finally {
            fclose($from);
            fclose($to);
        }
        if ($left !== 0 || ! hash_equals($file->sha256, hash_final($hash))) {
            throw ArchiveError::fileDiffers($file->name);
        }
    }
}
