<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Sound\Loudness;
use OpenReel\Core\Sound\RecordingInput;

/** Encoder commands for sound: measuring, and one piece of the soundtrack as raw PCM. */
final class SoundCommand
{
    /** Part of every cache key: change it whenever a command changes what comes out. */
    public const VERSION = 2;

    /** Part of the keys of parts in which music is heard, and of the music's own. */
    public const BED_VERSION = 1;

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
     * Somebody's music as we keep it; the log ends with how loud it is.
     *
     * @return list<string>
     */
    public static function music(string $file, string $out, int $longest): array
    {
        return [
            ...RecordingInput::GUARD, '-i', $file, '-map', '0:a:0', '-t', (string) $longest, '-af',
            self::METER.',aformat=sample_fmts=s16:sample_rates=48000:channel_layouts=stereo',
            '-map_metadata', '-1', '-fflags', '+bitexact', '-c:a', 'flac', $out,
        ];
    }

    /**
     * The same so that it goes round without a seam: its end changes over into its beginning, at constant power. Behind its
     * last sample it goes on with the sample numbered `$seam`.
     *
     * @param  int  $samples  of the file
     * @return list<string>
     */
    public static function goingRound(string $file, int $samples, int $seam, string $out): array
    {
        $cut = $samples - $seam;
        $graph = '[0:a]asplit=3[a][b][c];'.
            "[a]atrim=end_sample={$cut}[body];".
            "[b]atrim=start_sample={$cut},asetpts=PTS-STARTPTS[end];[c]atrim=end_sample={$seam}[start];".
            "[end][start]acrossfade=nb_samples={$seam}:c1=qsin:c2=qsin[over];".
            '[body][over]concat=n=2:v=0:a=1';

        return ['-i', $file, '-filter_complex', $graph, '-map_metadata', '-1', '-fflags', '+bitexact', '-c:a', 'flac', $out];
    }

    /**
     * Music as it is, or a small sound: raw PCM, 16 bits, stereo.
     *
     * @return list<string>
     */
    public static function bed(string $file, string $out): array
    {
        return [
            '-i', $file, '-vn', '-af', 'aformat=sample_fmts=s16:sample_rates=48000:channel_layouts=stereo',
            '-map_metadata', '-1', '-c:a', 'pcm_s16le', '-f', 's16le', $out,
        ];
    }

    /**
     * What is spoken, with music beside it.
     *
     * @param  string  $voice  path of raw PCM
     * @param  list<BedFiles>  $beds
     * @param  int  $samples  of all of them
     * @return list<string>
     */
    public static function withBeds(string $voice, array $beds, int $samples, string $out): array
    {
        $pcm = ['-f', 's16le', '-ar', '48000', '-ac', '2', '-i'];
        $inputs = [...$pcm, $voice];
        $chains = [];
        $mixed = '[0:a]';
        foreach ($beds as $n => $bed) {
            array_push($inputs, ...$pcm, ...[$bed->pcm, '-f', 'f32le', '-ar', '48000', '-ac', '1', '-i', $bed->loudness]);
            [$a, $b] = [1 + 2 * $n, 2 + 2 * $n];
            $chains[] = "[{$a}:a]aformat=sample_fmts=flt[b{$n}]";
            $chains[] = "[{$b}:a]pan=stereo|c0=c0|c1=c0[l{$n}];[b{$n}][l{$n}]amultiply[m{$n}]";
            $mixed .= "[m{$n}]";
        }
        $all = count($beds) + 1;
        $chains[] = "{$mixed}amix=inputs={$all}:normalize=0:duration=first,".self::LIMITER.
            "atrim=end_sample={$samples},aformat=sample_fmts=s16:sample_rates=48000:channel_layouts=stereo";

        return [
            ...$inputs, '-filter_complex', implode(';', $chains), '-map_metadata', '-1', '-c:a', 'pcm_s16le', '-f', 's16le', $out,
        ];
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
