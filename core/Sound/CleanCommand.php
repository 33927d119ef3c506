<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

use OpenReel\Core\Kernel\Span;

/** Commands that clean a voice: filters by ffmpeg, noise by sox, whose spectral gate learns from a stretch of the room alone. */
final class CleanCommand
{
    /** Hz. The lowest voices begin at about 75 Hz (Baken 1987); two filters fall 24 dB an octave below. */
    private const LOW = 70;

    /** Harmonics of the mains that are filtered, each this many Hz wide: as narrow as hum is steady. */
    private const HARMONICS = 6;

    private const HUM_WIDTH = 3;

    /** How eagerly what is as loud as the noise is taken for noise, 0..1; above 0.2 words lose their ends. */
    private const AMOUNT = '0.15';

    /** Samples the gate needs behind the end, and loses there. */
    public const TAIL = 4_096;

    /**
     * Filters, and a little silence behind the end.
     *
     * @return list<string> arguments of ffmpeg
     */
    public static function filtered(CleanVoice $voice, string $sound, string $wave): array
    {
        $filters = [];
        if ($voice->lowCut) {
            array_push($filters, 'highpass=f='.self::LOW, 'highpass=f='.self::LOW);
        }
        for ($times = 1; $voice->hum !== null && $times <= self::HARMONICS; $times++) {
            $filters[] = sprintf('bandreject=f=%d:width_type=h:w=%d', $voice->hum * $times, self::HUM_WIDTH);
        }
        $filters[] = 'apad=pad_len='.self::TAIL;

        return ['-i', $sound, '-vn', '-ac', '1', '-af', implode(',', $filters), '-c:a', 'pcm_s16le', '-f', 'wav', $wave];
    }

    /**
     * What the noise is like.
     *
     * @param  Span  $room  where only the room is heard; a tick is a sample
     * @return list<string> arguments of sox
     */
    public static function learned(Span $room, string $wave, string $profile): array
    {
        return [$wave, '-n', 'trim', "{$room->from->count}s", "={$room->until->count}s", 'noiseprof', $profile];
    }

    /** @return list<string> arguments of sox */
    public static function reduced(string $wave, string $profile, string $out): array
    {
        return [$wave, $out, 'noisered', $profile, self::AMOUNT];
    }

    /**
     * The voice as it is kept: exactly as long as it was.
     *
     * @param  string|null  $reduced  the same without noise; null when none was taken out
     * @return list<string> arguments of ffmpeg
     */
    public static function mixed(CleanVoice $voice, string $wave, ?string $reduced, int $samples, string $flac): array
    {
        $end = "apad=whole_len={$samples},atrim=end_sample={$samples},aformat=sample_fmts=s16";
        $left = $voice->noise->left();
        $graph = $reduced === null
            ? ['-i', $wave, '-af', $end]
            : [
                '-i', $reduced, '-i', $wave, '-filter_complex',
                sprintf('amix=inputs=2:duration=longest:normalize=0:weights=%.3F %.3F,%s', 1 - $left, $left, $end),
            ];

        return [...$graph, '-map_metadata', '-1', '-c:a', 'flac', '-compression_level', '0', '-f', 'flac', $flac];
    }
}
