<?php

declare(strict_types=1);

namespace App\Media;

/**
 * Looks into a WebM file (EBML, RFC 8794; Matroska, RFC 9559) without starting a program, as browsers record them: VP8, whose
 * key frames say how large they are (RFC 6386, 9.1), and Opus. Of anything else it says nothing.
 */
final class WebmFile
{
    private const SEGMENT = 0x18538067;

    private const INFO = 0x1549A966;

    private const TRACKS = 0x1654AE6B;

    private const CLUSTER = 0x1F43B675;

    private const TIMESTAMP = 0xE7;

    private const GROUP = 0xA0;

    private const BLOCK = 0xA1;

    private const SIMPLE_BLOCK = 0xA3;

    /** Elements that are looked into rather than passed over. */
    private const ENTERED = [self::SEGMENT, self::CLUSTER, self::GROUP];

    /** Larger descriptions of a file are not read. */
    private const MOST = 1 << 20;

    /** The most of a block that is read: its head, and that of a frame. */
    private const HEAD = 32;

    /** The file is looked through in this time and a second more for every so many bytes, or it is left to others. */
    private const SECONDS = 5.0;

    private const BYTES_A_SECOND = 5_000_000;

    private readonly WebmTracks $tracks;

    private int $scale = 1_000_000;

    private ?float $duration = null;

    private float $deadline;

    /** @param  resource  $file */
    private function __construct(private readonly mixed $file, private readonly int $bytes)
    {
        $this->tracks = new WebmTracks();
        $this->deadline = microtime(true) + self::SECONDS + $bytes / self::BYTES_A_SECOND;
    }

    /** @return RecordingFacts|null null where it is another kind of file, or holds what is not known here */
    public static function facts(string $path): ?RecordingFacts
    {
        return self::open($path, fn (self $file): ?RecordingFacts => $file->walk(true) ? $file->tracks->facts() : null);
    }

    /** @return float|null how long it says that it is, in seconds; null where it is another kind of file, or does not say */
    public static function seconds(string $path): ?float
    {
        return self::open(
            $path,
            fn (self $file): ?float => $file->walk(false) && $file->duration !== null
                ? $file->duration * $file->scale / 1e9
                : null,
        );
    }

    /**
     * @template T
     *
     * @param  callable(self): ?T  $look
     * @return ?T
     */
    private static function open(string $path, callable $look): mixed
    {
        $file = @fopen($path, 'rb');
        if ($file === false) {
            return null;
        }
        try {
            // Blocks lie far apart: what is read ahead is mostly thrown away.
            stream_set_read_buffer($file, 512);

            return bin2hex((string) fread($file, 4)) === '1a45dfa3' && fseek($file, 0) === 0
                ? $look(new self($file, (int) filesize($path)))
                : null;
        } finally {
            fclose($file);
        }
    }

    /** @return bool whether all of it was understood; a last element may be cut off */
    private function walk(bool $whole): bool
    {
        $now = 0;
        for ($at = 0, $elements = 0; $at < $this->bytes; $elements++) {
            if ($elements % 1024 === 0 && microtime(true) > $this->deadline) {
                return false;
            }
            fseek($this->file, $at);
            $head = (string) fread($this->file, 12 + self::HEAD);
            $element = EbmlElement::at($head, 0);
            if ($element === null) {
                return $at + 12 > $this->bytes;
            }
            $from = $at + $element->head;
            if (in_array($element->id, self::ENTERED, true)) {
                if ($element->id === self::CLUSTER && ! $whole) {
                    return true;
                }
                $at = $from;

                continue;
            }
            if ($element->size === null) {
                return false;
            }
            if ($from + $element->size > $this->bytes) {
                return true;
            }
            $body = substr($head, $element->head, $element->size);
            $isKnown = match ($element->id) {
                self::INFO => $this->info($this->body($from, $element->size)),
                self::TRACKS => ! $whole || $this->tracks->describe($this->body($from, $element->size)),
                self::TIMESTAMP => ($now = EbmlElement::number($body)) >= 0,
                self::BLOCK, self::SIMPLE_BLOCK => $this->tracks->block($body, $now, $this->scale),
                default => true,
            };
            if (! $isKnown) {
                return false;
            }
            $at = $from + $element->size;
        }

        return true;
    }

    private function info(string $body): bool
    {
        foreach (EbmlElement::all($body) as [$id, $value]) {
            match ($id) {
                0x2AD7B1 => $this->scale = EbmlElement::number($value),
                0x4489 => $this->duration = EbmlElement::real($value),
                default => null,
            };
        }

        return $this->scale > 0;
    }

    private function body(int $from, int $size): string
    {
        if ($size > self::MOST) {
            return '';
        }
        fseek($this->file, $from);

        return (string) stream_get_contents($this->file, $size);
    }
}
