<?php

declare(strict_types=1);

namespace App\Media;

use Generator;
use OpenReel\Core\Alignment\Aligner;
use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Script\Language;

/** Hears which lines are said in a sound file. */
final class TakeAligner
{
    private const PIECE = 65_536;

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  list<ExpectedLine>  $lines
     * @param  callable(float): mixed|null  $progress  told how much is done, 0..1
     *
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function hear(string $path, array $lines, Language $language, ?callable $progress = null): Alignment
    {
        $ffmpeg = (string) config('reel.programs.ffmpeg');
        $pcm = $this->media->draft('pcm');
        try {
            Program::run([
                $ffmpeg, '-nostdin', '-v', 'error', '-y', '-i', $path, '-vn', '-ac', '1', '-ar', '16000',
                '-af', 'highpass=f=90', '-f', 's16le', $pcm,
            ]);
            $voice = new EspeakVoice((string) config('reel.programs.reference_voice'), $ffmpeg, $language);

            return (new Aligner($voice))->hear(self::pieces($pcm), $lines, $progress);
        } finally {
            @unlink($pcm);
        }
    }

    /** @return Generator<string> */
    private static function pieces(string $file): Generator
    {
        $stream = fopen($file, 'rb') ?: throw UnreadableFile::because('The sound of this take cannot be read.');
        try {
            while (! feof($stream)) {
                yield (string) fread($stream, self::PIECE);
            }
        } finally {
            fclose($stream);
        }
    }
}
