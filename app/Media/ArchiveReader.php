<?php

declare(strict_types=1);

namespace App\Media;

use JsonSchema\Validator;
use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\ArchiveProblem;
use OpenReel\Core\Archive\Manifest;

/** Somebody's archive, opened without trusting it: only what its manifest names is looked at, and only as much as it says. */
final class ArchiveReader
{
    /** Two thousand takes with all that was heard in them are a tenth of this. */
    private const MOST_MANIFEST_BYTES = 256 * 1024 * 1024;

    private const BLOCK = 128 * 1024;

    private function __construct(private readonly \ZipArchive $zip, public readonly Manifest $manifest)
    {
    }

    /** @throws ArchiveProblem */
    public static function open(string $path): self
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw ArchiveProblem::unreadable();
        }
        $stat = $zip->statName(Manifest::NAME);
        if ($stat === false || $stat['size'] > self::MOST_MANIFEST_BYTES) {
            throw ArchiveProblem::unreadable();
        }
        $said = Manifest::decoded((string) $zip->getFromName(Manifest::NAME, $stat['size']));
        $validator = new Validator();
        $validator->validate(
            $said, json_decode((string) file_get_contents(resource_path("schemas/archive-{$said->version}.json"))),
        );
        if (! $validator->isValid()) {
            throw ArchiveProblem::unreadable();
        }

        return new self($zip, Manifest::of($said));
    }

    /**
     * Writes a file of it, when it is what the manifest says.
     *
     * @param  callable(int): void  $wrote  told how many bytes more are there
     *
     * @throws ArchiveProblem|DiskFull
     */
    public function extract(ArchiveFile $file, string $draft, callable $wrote): void
    {
        $from = $this->zip->getStream($file->name);
        if ($from === false) {
            throw ArchiveProblem::fileNotListed($file->name);
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
                    throw ArchiveProblem::fileDiffers($file->name);
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
            throw ArchiveProblem::fileDiffers($file->name);
        }
    }
}
