<?php

declare(strict_types=1);

namespace App\Media;

/** Looks into an MP4 file (ISO/IEC 14496-12) without starting a program. */
final class Mp4Boxes
{
    /** Larger headers than that of an hour's film are not read. */
    private const MOST = 64 << 20;

    /** @return string|null the decoder configuration of its H.264 track (ISO/IEC 14496-15, `avcC`); null where none is found */
    public static function avcSetup(string $path): ?string
    {
        $moov = self::box($path, 'moov');
        $at = $moov === null ? false : strpos($moov, 'avcC');
        if ($moov === null || $at === false || $at < 4) {
            return null;
        }
        $size = self::number($moov, $at - 4);

        return $size >= 8 && $at - 4 + $size <= strlen($moov) ? substr($moov, $at + 4, $size - 8) : null;
    }

    /** @return string|null what the first box of that name on the outermost level holds */
    private static function box(string $path, string $name): ?string
    {
        $file = @fopen($path, 'rb');
        if ($file === false) {
            return null;
        }
        try {
            while (strlen($head = (string) fread($file, 8)) === 8) {
                $size = self::number($head, 0);
                $read = 8;
                if ($size === 1) {
                    // Larger than 32 bits can say.
                    $size = (int) (unpack('J', (string) str_pad((string) fread($file, 8), 8, "\0"))[1] ?? 0);
                    $read = 16;
                }
                if ($size < $read) {
                    return null;
                }
                if (substr($head, 4) === $name) {
                    return $size - $read > self::MOST ? null : (string) stream_get_contents($file, $size - $read);
                }
                fseek($file, $size - $read, SEEK_CUR);
            }

            return null;
        } finally {
            fclose($file);
        }
    }

    private static function number(string $bytes, int $at): int
    {
        return (int) (unpack('N', $bytes, $at)[1] ?? 0);
    }
}
