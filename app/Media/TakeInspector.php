<?php

declare(strict_types=1);

namespace App\Media;

use Generator;
use OpenReel\Core\Analysis\MainsHum;
use OpenReel\Core\Picture\CameraLook;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\Levels;

/** Measures what takes longer than a second to find out about a take's files: hum, missing heights, a black or still picture. */
final class TakeInspector
{
    /** Above 5.5 kHz a telephone sends nothing; so many filters one behind the other are steep enough (72 dB an octave). */
    private const HIGH = 'highpass=f=5500,highpass=f=5500,highpass=f=5500,highpass=f=5500,highpass=f=5500,highpass=f=5500';

    /** Between key frames, so that every picture that is looked at is one of its own. */
    private const KEY_SECONDS = 0.75;

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @return array{MainsHum|null, Levels} and the levels of what lies above 5.5 kHz
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function sound(string $path): array
    {
        $low = $this->media->draft('pcm');
        $high = $this->media->draft('pcm');
        try {
            $raw = ['-c:a', 'pcm_s16le', '-f', 's16le'];
            Program::run([
                self::ffmpeg(), '-nostdin', '-v', 'error', '-y', '-i', $path, '-filter_complex',
                '[0:a:0]aformat=channel_layouts=mono,asplit=2[a][b];[a]aresample='.MainsHum::RATE.'[low];[b]'.self::HIGH.'[high]',
                '-map', '[low]', ...$raw, $low, '-map', '[high]', ...$raw, $high,
            ]);
            $stream = fopen($high, 'rb') ?: throw UnreadableFile::because('The sound of this take cannot be read.');
            try {
                return [MainsHum::of((string) file_get_contents($low)), LevelReader::read($stream)];
            } finally {
                fclose($stream);
            }
        } finally {
            @unlink($low);
            @unlink($high);
        }
    }

    /**
     * Own recordings have a key frame every half second, and those alone are decoded, in a fifth of the time; all pictures of a file
     * in which they are rarer.
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function camera(string $path, SourceColour $colour): ?CameraLook
    {
        $raw = $this->media->draft('yuv');
        try {
            [$seconds, $apart] = self::lengthAndKeys(self::look($path, $colour, $raw, ['-skip_frame', 'nokey']));
            if ($apart > self::KEY_SECONDS) {
                self::look($path, $colour, $raw, []);
            }

            return CameraLook::of(self::pictures($raw, (int) round($seconds * CameraLook::RATE)));
        } finally {
            @unlink($raw);
        }
    }

    /**
     * @param  list<string>  $decodes
     * @return string every packet of the picture as ffmpeg's `framecrc` writes it: its time, and `F=` where it is no key frame
     */
    private static function look(string $path, SourceColour $colour, string $raw, array $decodes): string
    {
        $size = CameraLook::WIDTH.':'.CameraLook::HEIGHT;

        return Program::run([
            self::ffmpeg(), '-nostdin', '-v', 'error', '-y', '-threads', '1', ...$decodes, '-i', $path,
            '-map', '0:v:0', '-an', '-vf',
            'fps='.CameraLook::RATE
                .",scale={$size}:flags=area:{$colour->asInput()}:out_range=pc,format=yuv444p",
            '-f', 'rawvideo', $raw,
            '-map', '0:v:0', '-c:v', 'copy', '-f', 'framecrc', 'pipe:1',
        ])['output'];
    }

    /**
     * @param  string  $packets  as `framecrc` writes them
     * @return array{float, float} seconds from the first to the last of them, and the longest of it without a key frame
     */
    private static function lengthAndKeys(string $packets): array
    {
        $second = preg_match('{^#tb 0: (\d+)/(\d+)}m', $packets, $base) === 1 ? (int) $base[2] / max(1, (int) $base[1]) : 1.0;
        preg_match_all('/^0, *-?\d+, *(-?\d+),[^F\n]*(F=)?/m', $packets, $found);
        $times = array_map(intval(...), $found[1]);
        $keys = array_values(array_intersect_key($times, array_filter($found[2], fn (string $mark): bool => $mark === '')));
        if ($times === [] || $keys === []) {
            return [0.0, PHP_FLOAT_MAX];
        }
        $ends = [...array_slice($keys, 1), max($times)];
        $gaps = array_map(fn (int $end, int $key): int => $end - $key, $ends, $keys);

        return [(max($times) - min($times)) / $second, max($keys[0] - min($times), ...$gaps) / $second];
    }

    /**
     * @param  int  $count  as many at least: the last key frame stands for what comes behind it, too
     * @return Generator<string>
     */
    private static function pictures(string $file, int $count): Generator
    {
        $stream = fopen($file, 'rb') ?: throw UnreadableFile::because('The picture of this take cannot be read.');
        try {
            $last = '';
            while (strlen($picture = (string) stream_get_contents($stream, CameraLook::BYTES)) === CameraLook::BYTES) {
                yield $last = $picture;
                $count--;
            }
            for (; $last !== '' && $count > 0; $count--) {
                yield $last;
            }
        } finally {
            fclose($stream);
        }
    }

    private static function ffmpeg(): string
    {
        return (string) config('reel.programs.ffmpeg');
    }
}
