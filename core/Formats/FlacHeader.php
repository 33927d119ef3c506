<?php

declare(strict_types=1);

namespace OpenReel\Core\Formats;

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
        if (strlen($start) < self::BYTES || ! str_starts_with($start, 'fLaC')) {
            return 0.0;
        }
        // 20 bits of sampling rate, 3 of channels, 5 of depth, 36 of samples.
        $bits = unpack('J', substr($start, 18, 8))[1] ?? 0;
        $rate = ($bits >> 44) & 0xFFFFF;

        return $rate === 0 ? 0.0 : ($bits & 0xFFFFFFFFF) / $rate;
    }
}
