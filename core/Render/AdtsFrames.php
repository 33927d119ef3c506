<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** AAC as a stream of frames with a header each (ADTS, ISO/IEC 13818-7): can be cut and put together at any of them. */
final class AdtsFrames
{
    private const HEADER = 7;

    /**
     * @param  int  $first  counted from 0
     * @param  int|null  $count  null for all that follow
     * @return string the frames asked for, as far as they are there and whole
     */
    public static function slice(string $stream, int $first, ?int $count): string
    {
        $at = $index = 0;
        $start = null;
        $length = strlen($stream);
        while ($at + self::HEADER <= $length && ($count === null || $index < $first + $count)) {
            $start = $index === $first ? $at : $start;
            // 13 bits, from the fourth byte's last two on.
            $size = ((ord($stream[$at + 3]) & 3) << 11) | (ord($stream[$at + 4]) << 3) | (ord($stream[$at + 5]) >> 5);
            if ($size < self::HEADER || $at + $size > $length) {
                break;
            }
            $at += $size;
            $index++;
        }

        return $start === null ? '' : substr($stream, $start, $at - $start);
    }
}
