<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** What a FLAC file says of itself in its first block (RFC 9639, section 8.2). */
final class FlacHeader
{
    /** Of the mark, the block's head and the block. */
    public const BYTES = 42;

    /**
     * @param  string  $start  the first bytes of the file
     * @return float seconds; 0 when it is no FLAC file, or its length was never written
     */
    public static function seconds(string $start): float
    {
        $rate = (self::bits($start) >> 44) & 0xFFFFF;

        return $rate === 0 ? 0.0 : self::samples($start) / $rate;
    }

    /** @return int samples of a channel; 0 likewise */
    public static function samples(string $start): int
    {
        return self::bits($start) & 0xFFFFFFFFF;
    }

    /** 20 bits of sampling rate, 3 of channels, 5 of depth, 36 of samples. */
    private static function bits(string $start): int
    {
        return strlen($start) < self::BYTES || ! str_starts_with($start, 'fLaC') ? 0 : unpack('J', substr($start, 18, 8))[1] ?? 0;
    }
}
