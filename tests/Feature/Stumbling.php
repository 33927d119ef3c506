<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;

/** Takes in which a voice, that is not the reference voice, says lines whole or breaks off; made once each. */
final class Stumbling
{
    private const RATE = 16_000;

    /** Slower than flite speaks by itself: as someone who explains. */
    private const STRETCH = '1.1';

    /**
     * @param  list<array{string, float, float}>  $says  text, how much of it is said (1 for all), and seconds of silence before
     *    it
     * @return array{string, list<array{float, float}>} a WAV file, and from and until of each in seconds
     */
    public static function take(string $name, array $says, string $voice = 'rms', int $noise = 30): array
    {
        $pcm = '';
        $times = [];
        mt_srand(7);
        foreach ($says as [$text, $part, $silence]) {
            $pcm .= str_repeat("\0\0", (int) ($silence * self::RATE));
            $from = strlen($pcm) / 2 / self::RATE;
            $sound = self::said($text, $voice);
            $pcm .= substr($sound, 0, 2 * (int) ((strlen($sound) / 2) * $part));
            $times[] = [$from, strlen($pcm) / 2 / self::RATE];
        }
        $pcm .= str_repeat("\0\0", self::RATE);
        $noisy = '';
        foreach (str_split($pcm, 32_000) as $second) {
            $samples = array_map(
                fn (int $v): int => max(-32768, min(32767, intdiv($v, 3) + mt_rand(-$noise, $noise))),
                array_values((array) unpack('s*', $second)),
            );
            $noisy .= pack('s*', ...$samples);
        }
        $raw = sys_get_temp_dir().'/reel-stumbling-'.getmypid().'.raw';
        file_put_contents($raw, $noisy);
        // Other words make another file.
        $name .= '-'.substr(md5((string) json_encode([$says, $voice, $noise])), 0, 8);
        $file = Clips::make("stumbling-{$name}.wav", ['-f', 's16le', '-ar', (string) self::RATE, '-ac', '1', '-i', $raw]);

        return [$file, $times];
    }

    /** The sound of a text, from its first sound to its last. */
    private static function said(string $text, string $voice): string
    {
        $wave = Clips::path("said-{$voice}-".md5($text).'.wav');
        if (! is_file($wave)) {
            Program::run(['flite', '-voice', $voice, '--setf', 'duration_stretch='.self::STRETCH, '-t', $text, '-o', $wave]);
        }
        $pcm = Program::run(['ffmpeg', '-v', 'error', '-i', $wave, '-ac', '1', '-ar', '16000', '-f', 's16le', '-'])['output'];
        $samples = array_values((array) unpack('s*', $pcm));
        $loud = array_keys(array_filter($samples, fn (int $v): bool => abs($v) > 500));

        return substr($pcm, 2 * $loud[0], 2 * ($loud[count($loud) - 1] - $loud[0]));
    }
}
