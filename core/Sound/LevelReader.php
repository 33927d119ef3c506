<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** Measures levels from raw sound: signed 16-bit little-endian, mono, 48 kHz. */
final class LevelReader
{
    private const FULL_SCALE = 32_760;

    private const CLIP_RUN = 3;

    private const WINDOWS_A_READ = 100;

    /** @param  resource  $pcm  read to its end; a last odd byte is dropped */
    public static function read($pcm): Levels
    {
        $rms = $peaks = [];
        $clips = $samples = $run = 0;
        $held = '';

        while (! feof($pcm)) {
            $held .= (string) fread($pcm, Levels::WINDOW * 2 * self::WINDOWS_A_READ);
            $whole = feof($pcm) ? strlen($held) - strlen($held) % 2 : strlen($held) - strlen($held) % (Levels::WINDOW * 2);
            for ($offset = 0; $offset < $whole; $offset += Levels::WINDOW * 2) {
                $window = self::unsignedToSigned(substr($held, $offset, min(Levels::WINDOW * 2, $whole - $offset)));
                $sum = 0;
                foreach ($window as $sample) {
                    $sum += $sample * $sample;
                }
                $peak = $window === [] ? 0 : max(max($window), -min($window));
                // Few windows hold a sample that could be clipped: only those are looked at one by one.
                foreach ($peak < self::FULL_SCALE ? [] : $window as $sample) {
                    $run = abs($sample) < self::FULL_SCALE ? 0 : $run + 1;
                    $clips += $run === self::CLIP_RUN ? 1 : 0;
                }
                $run = $peak < self::FULL_SCALE ? 0 : $run;
                $count = count($window);
                $samples += $count;
                $peaks[] = $peak;
                $rms[] = $sum === 0 ? Levels::FLOOR_DB : max(Levels::FLOOR_DB, 10 * log10($sum / $count / (32768 * 32768)));
            }
            $held = substr($held, $whole);
        }

        return new Levels($rms, $peaks, $clips, $samples);
    }

    /**
     * `unpack` reads little-endian only as unsigned; machine order would make the result depend on the machine.
     *
     * @return array<int, int>
     */
    private static function unsignedToSigned(string $bytes): array
    {
        static $littleEndian = null;
        $littleEndian ??= pack('S', 1) === pack('v', 1);
        if ($littleEndian) {
            return unpack('s*', $bytes) ?: [];
        }

        return array_map(fn (int $v): int => $v >= 32768 ? $v - 65536 : $v, unpack('v*', $bytes) ?: []);
    }
}
