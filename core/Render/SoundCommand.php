<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** Encoder commands for sound: measuring, and one segment's sound as 48 kHz stereo PCM. */
final class SoundCommand
{
    /** Part of every cache key: change it whenever a command changes what comes out. */
    public const RECIPE = 1;

    /**
     * The limiter works on four times the samples, so that peaks between samples count too. 0.80 is -1.9 dBFS: the room
     * the AAC encoder needs to stay under -1 dBTP.
     */
    private const LIMITER = 'aresample=192000,alimiter=limit=0.80:attack=3:release=60:level=disabled:latency=1,aresample=48000';

    /** Ends of a segment are eased in and out over 5 ms, so that a join never clicks. */
    private const EASE_SECONDS = 0.005;

    /** Prints loudness (EBU R128) at the end of the log. */
    private const METER = 'ebur128=framelog=verbose';

    /** And the true peak, which takes half as long again: only of what is handed over. */
    private const PEAK_METER = 'ebur128=peak=true:framelog=verbose';

    /**
     * @param  string|null  $sound  path of the take's sound, mono or stereo at 48 kHz; null makes silence
     * @param  float  $gain  dB
     * @param  string  $out  path of the WAV file to write
     * @return list<string> arguments after the program's name; the log ends with the loudness reached
     */
    public static function segment(SoundSpec $spec, ?string $sound, float $gain, string $out): array
    {
        $samples = $spec->length->count;
        if ($sound === null) {
            return [
                '-f', 'lavfi', '-i', "anullsrc=r=48000:cl=stereo,atrim=end_sample={$samples}",
                '-c:a', 'pcm_s16le', '-f', 'wav', $out,
            ];
        }
        $ease = min(self::EASE_SECONDS, $spec->used->seconds() / 4);

        return [
            '-i', $sound,
            '-af', implode(',', [
                sprintf('atrim=start_sample=%d:end_sample=%d', $spec->in->count, $spec->in->count + $spec->used->count),
                'asetpts=PTS-STARTPTS',
                self::finalStereo(),
                sprintf('afade=t=in:d=%.4F', $ease),
                sprintf('afade=t=out:st=%.6F:d=%.4F', $spec->used->seconds() - $ease, $ease),
                sprintf('volume=%.2FdB', $gain),
                self::LIMITER,
                "apad=whole_len={$samples}",
                "atrim=end_sample={$samples}",
                self::METER,
                'aformat=sample_fmts=s16:sample_rates=48000:channel_layouts=stereo',
            ]),
            '-map_metadata', '-1', '-c:a', 'pcm_s16le', '-f', 'wav', $out,
        ];
    }

    /**
     * Measures a whole file, as it will be heard in the lesson.
     *
     * @return list<string>
     */
    public static function measureFile(string $file): array
    {
        return ['-i', $file, '-vn', '-af', self::finalStereo().','.self::PEAK_METER, '-f', 'null', '-'];
    }

    /** Loudness is measured on what will be delivered: a mono voice on both sides is 3 LU louder than on one. */
    private static function finalStereo(): string
    {
        return 'pan=stereo|c0=c0|c1=c0';
    }
}
