<?php

declare(strict_types=1);

namespace App\Media;

/** A zip file on the media disk, made for somebody to take away. */
final class Archive
{
    private readonly \ZipArchive $zip;

    /** @param  string  $draft  path of the file that is written */
    public function __construct(private readonly string $draft)
    {
        $this->zip = new \ZipArchive();
        if ($this->zip->open($draft, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException("{$draft} cannot be written.");
        }
    }

    /** A film, a sound or a picture goes in as it is: it is as small as it gets. */
    public function addMedia(string $path, string $name): void
    {
        $this->zip->addFile($path, $name);
        $this->zip->setCompressionName($name, \ZipArchive::CM_STORE);
    }

    public function addText(string $name, string $text): void
    {
        $this->zip->addFromString($name, $text);
    }

    /** @return string path of the finished file */
    public function close(): string
    {
        if (! $this->zip->close()) {
            @unlink($this->draft);
            throw new \RuntimeException("{$this->draft} cannot be written.");
        }

        return $this->draft;
    }
}
