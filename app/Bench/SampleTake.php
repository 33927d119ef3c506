<?php

declare(strict_types=1);

namespace App\Bench;

use App\Media\Program;

/** A take for measuring: the demo's presenter, as a browser records a camera. */
final class SampleTake
{
    public const SECONDS = 20;

    public static function make(string $folder): string
    {
        $clip = "{$folder}/clip.webm";
        Program::run([
            'ffmpeg',
            '-v',
            'error',
            '-y',
            '-i',
            base_path('demo/lesson/takes/06-1.webm'),
            '-t',
            (string) self::SECONDS,
            '-vf',
            'scale=1280:720,fps=30,noise=alls=4:allf=t',
            '-c:v',
            'libvpx',
            '-deadline',
            'realtime',
            '-cpu-used',
            '8',
            '-b:v',
            '2500k',
            // As recorders are asked to.
            '-g',
            '15',
            '-c:a',
            'libopus',
            $clip,
        ]);

        return $clip;
    }

    /** CPU seconds that child processes have used so far. */
    public static function childSeconds(): float
    {
        $usage = (array) getrusage(1);

        return $usage['ru_utime.tv_sec'] +
            $usage['ru_utime.tv_usec'] / 1e6 +
            $usage['ru_stime.tv_sec'] +
            $usage['ru_stime.tv_usec'] / 1e6;
    }

    /** CPU seconds that this process has used so far. */
    public static function ownSeconds(): float
    {
        $usage = (array) getrusage();

        return $usage['ru_utime.tv_sec'] +
            $usage['ru_utime.tv_usec'] / 1e6 +
            $usage['ru_stime.tv_sec'] +
            $usage['ru_stime.tv_usec'] / 1e6;
    }
}
