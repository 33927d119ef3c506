<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** Encoder commands for sound: measuring, and one piece of the soundtrack as raw PCM. */
final class SoundCommand
{
    /** Part of every cache key: change it whenever a command changes what comes out. */
    public const RECIPE = 2;

    /**
     * Samples up to this, in dBFS, leave room for peaks between samples (at most 1.1 dB for speech, which has little above
     * 12 kHz) and for what the AAC encoder adds: no limiter would have anything to do.
     */
    public const SAFE_PEAK = -3.0;

    /**
     * The limiter works on four times the samples, so that peaks between samples count too. 0.80 is -1.9 dBFS: the room
     * the AAC encoder needs to stay under -1 dBTP.
     */
    private const LIMITER = 'aresample=192000,alimiter=limit=0.80:attack=3:release=60:level=disabled:latency=1,aresample=48000,';

    /** Prints loudness (EBU R128) at the end of the log. */
    private const METER = 'ebur128=framelog=verbose';

    /** One row a tenth of a second in the log, with the loudness of the 400 ms before it; and the true peak at the end. */
    private const PEAK_METER = 'ebur128=peak=true:framelog=info';

    /**
     * @param  string|null  $sound  path of the take's sound, mono or stereo at 48 kHz; null makes silence
     * @param  float  $gain  dB
     * @param  string  $out  path of the raw PCM file to write
     * @param  string|null  $computer  path of the computer's sound, when the piece has one
     * @return list<string> arguments after the program's name; the log ends with the loudness reached
     */
    public static function piece(SoundPiece $piece, ?string $sound, float $gain, string $out, ?string $computer = null): array
    {
        $samples = $piece->withHandles();
        if ($sound === null) {
            return [
                '-f',
                'lavfi',
                '-i',
                "anullsrc=r=48000:cl=stereo,atrim=end_sample={$samples}",
                '-c:a',
                'pcm_s16le',
                '-f',
                's16le',
                $out,
            ];
        }
        $voice = self::stretch($piece->from, $samples, $gain);
        $limiter = $piece->needsNoLimiter($gain) ? '' : self::LIMITER;
        $end = $limiter.self::METER.',aformat=sample_fmts=s16:sample_rates=48000:channel_layouts=stereo';
        $graph = $piece->computer === null || $computer === null
            ? ['-i', $sound, '-af', "{$voice},{$end}"]
            : [
                '-i', $sound, '-i', $computer, '-filter_complex',
                "[0:a]{$voice}[v];[1:a]".self::stretch($piece->computer->from, $samples, $piece->computer->gain).
                    "[c];[v][c]amix=inputs=2:normalize=0:duration=first,{$end}",
            ];

        return [...$graph, '-map_metadata', '-1', '-c:a', 'pcm_s16le', '-f', 's16le', $out];
    }

    /** Some samples of a sound with its handles, on both sides, at a level. */
    private static function stretch(int $from, int $samples, float $gain): string
    {
        $from -= SoundPiece::HANDLE;

        return implode(
            ',',
            array_filter([
                sprintf('atrim=start_sample=%d:end_sample=%d', max(0, $from), max(1, $from + $samples)),
                'asetpts=PTS-STARTPTS',
                $from < 0 ? 'adelay=delays='.-$from.'S:all=1' : null,
                self::finalStereo(),
                "apad=whole_len={$samples}",
                "atrim=end_sample={$samples}",
                sprintf('volume=%.2FdB', $gain),
            ]),
        );
    }

    /**
     * Measures a part of the soundtrack, as it will be heard.
     *
     * @return list<string>
     */
    public static function measure(string $file): array
    {
        return ['-i', $file, '-vn', '-af', self::PEAK_METER, '-f', 'null', '-'];
    }

    /**
     * One part of the soundtrack as a stream of AAC frames.
     *
     * @param  string  $pcm  path of raw PCM
     * @return list<string>
     */
    public static function part(string $pcm, string $out): array
    {
        return ['-f', 's16le', '-ar', '48000', '-ac', '2', '-i', $pcm, '-c:a', 'aac', '-b:a', '160k', '-f', 'adts', $out];
    }

    /** Loudness is measured on what will be delivered: a mono voice on both sides is 3 LU louder than on one. */
    private static function finalStereo(): string
    {
        return 'pan=stereo|c0=c0|c1=c0';
    }
}
