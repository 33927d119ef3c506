<?php

declare(strict_types=1);

namespace App\Media;

/** The head of an element of an EBML file (RFC 8794, 4 to 6). */
final readonly class EbmlElement
{
    /**
     * @param  int  $head  bytes of the head itself
     * @param  int|null  $size  bytes of what follows; null where that is not said, as in a file that was still being written
     */
    private function __construct(public int $id, public int $head, public ?int $size)
    {
    }

    /** @return self|null null where there is none */
    public static function at(string $bytes, int $at): ?self
    {
        $first = ord($bytes[$at] ?? "\0");
        $idBytes = self::length($first);
        $second = ord($bytes[$at + $idBytes] ?? "\0");
        $sizeBytes = self::length($second);
        if ($idBytes > 4 || $sizeBytes > 8 || strlen($bytes) < $at + $idBytes + $sizeBytes) {
            return null;
        }
        $size = $second & (0xFF >> $sizeBytes);
        $isUnsaid = $size === 0xFF >> $sizeBytes;
        for ($i = 1; $i < $sizeBytes; $i++) {
            $next = ord($bytes[$at + $idBytes + $i]);
            $isUnsaid = $isUnsaid && $next === 0xFF;
            $size = ($size << 8) | $next;
        }

        return new self(self::number(substr($bytes, $at, $idBytes)), $idBytes + $sizeBytes, $isUnsaid ? null : $size);
    }

    /**
     * What lies side by side in an element that was read whole; ends where it is damaged.
     *
     * @return iterable<array{int, string}> id and value
     */
    public static function all(string $body): iterable
    {
        for ($at = 0; ($element = self::at($body, $at)) !== null && $element->size !== null;) {
            if ($at + $element->head + $element->size > strlen($body)) {
                return;
            }
            yield [$element->id, substr($body, $at + $element->head, $element->size)];
            $at += $element->head + $element->size;
        }
    }

    /** @param  string  $bytes  at most eight, the most significant first */
    public static function number(string $bytes): int
    {
        $number = 0;
        for ($i = 0; $i < min(8, strlen($bytes)); $i++) {
            $number = ($number << 8) | ord($bytes[$i]);
        }

        return $number;
    }

    /** @param  string  $bytes  four or eight (IEEE 754) */
    public static function real(string $bytes): ?float
    {
        return match (strlen($bytes)) {
            4 => (float) (unpack('G', $bytes)[1] ?? 0),
            8 => (float) (unpack('E', $bytes)[1] ?? 0),
            default => null,
        };
    }

    /** @return int how many bytes a number of variable length has, by its first; 9 where it is none */
    private static function length(int $first): int
    {
        for ($length = 1; $length <= 8; $length++) {
            if (($first & (0x80 >> ($length - 1))) !== 0) {
                return $length;
            }
        }

        return 9;
    }
}
