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

    /** @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull */
    public function camera(string $path, SourceColour $colour): ?CameraLook
    {
        $raw = $this->media->draft('yuv');
        try {
            $size = CameraLook::WIDTH.':'.CameraLook::HEIGHT;
            Program::run([
                self::ffmpeg(), '-nostdin', '-v', 'error', '-y', '-threads', '1', '-i', $path, '-an', '-vf',
                'fps='.CameraLook::RATE.",scale={$size}:flags=area:{$colour->asInput()}:out_range=pc,format=yuv444p",
                '-f', 'rawvideo', $raw,
            ]);

            return CameraLook::of(self::pictures($raw));
        } finally {
            @unlink($raw);
        }
    }

    /** @return Generator<string> */
    private static function pictures(string $file): Generator
    {
        $stream = fopen($file, 'rb') ?: throw UnreadableFile::because('The picture of this take cannot be read.');
        try {
            while (strlen($picture = (string) stream_get_contents($stream, CameraLook::BYTES)) === CameraLook::BYTES) {
                yield $picture;
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
