<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Archive\ZipEntry;

/**
 * A zip file on the media disk, made for somebody to take away. Films, sounds and pictures are as small as they get, so
 * nothing is packed: to make one takes little longer than to copy what is in it, where PHP's own extension takes five times
 * as long.
 */
final class Archive
{
    /** Read and written at a time: large enough that asking the system costs little, and still in the processor's cache. */
    private const BLOCK = 512 * 1024;

    /** @var resource */
    private $file;

    /** @var list<ZipEntry> */
    private array $entries = [];

    private int $at = 0;

    private readonly int $date;

    /**
     * @param  string  $draft  path of the file that is written
     *
     * @throws DiskFull
     */
    public function __construct(private readonly string $draft)
    {
        $file = @fopen($draft, 'wb');
        if ($file === false) {
            throw DiskFull::writing('the archive');
        }
        stream_set_write_buffer($file, 0);
        $this->file = $file;
        $this->date = ZipEntry::dateOf(now()->toDateTimeImmutable());
    }

    /** @throws DiskFull|MissingFile */
    public function addFile(string $path, string $name): void
    {
        $from = @fopen($path, 'rb');
        if ($from === false) {
            throw MissingFile::named($name);
        }
        stream_set_read_buffer($from, 0);
        $crc = hash_init('crc32b');
        $expected = (int) (fstat($from)['size'] ?? 0);
        $start = $this->begin($name, $expected);
        $bytes = 0;
        while (($block = fread($from, self::BLOCK)) !== false && $block !== '') {
            hash_update($crc, $block);
            $this->write($block);
            $bytes += strlen($block);
        }
        fclose($from);
        if ($bytes !== $expected) {
            throw MissingFile::named($name);
        }
        $this->end($name, $start, $bytes, (int) hexdec(hash_final($crc)));
    }

    /** @throws DiskFull */
    public function addText(string $name, string $text): void
    {
        $start = $this->begin($name, strlen($text));
        $this->write($text);
        $this->end($name, $start, strlen($text), crc32($text));
    }

    /**
     * @return string path of the finished file
     *
     * @throws DiskFull
     */
    public function close(): string
    {
        $this->write(ZipEntry::list($this->entries, $this->at));
        fclose($this->file);

        return $this->draft;
    }

    /** @return int where the file begins in the archive */
    private function begin(string $name, int $bytes): int
    {
        $start = $this->at;
        $this->write((new ZipEntry($name, $bytes, 0, $start, $this->date))->before());

        return $start;
    }

    /** The checksum is known behind the content only, and stands before it. */
    private function end(string $name, int $start, int $bytes, int $crc): void
    {
        $entry = new ZipEntry($name, $bytes, $crc, $start, $this->date);
        fseek($this->file, $start);
        $this->at -= strlen($before = $entry->before());
        $this->write($before);
        fseek($this->file, $this->at);
        $this->entries[] = $entry;
    }

    private function write(string $bytes): void
    {
        if (@fwrite($this->file, $bytes) !== strlen($bytes)) {
            fclose($this->file);
            @unlink($this->draft);
            throw DiskFull::writing('the archive');
        }
        $this->at += strlen($bytes);
    }
}
