<?php

declare(strict_types=1);

namespace App\Bench;

use App\Media\Program;

/**
 * Takes of which it is known what is said where: voices that are not the reference voice say some lines of the demo lesson, break
 * off, say lines again at another pace, leave lines out and say what is no line, with more or less noise.
 */
final class StumblingTakes
{
    private const RATE = 16_000;

    /** Samples, 10 ms: how long a voice that breaks off dies away. */
    private const FADE = 160;

    private const VOICES = [
        'flite rms', 'flite slt', 'flite kal16', 'espeak en-us+f2', 'espeak en-gb+m7', 'espeak en-gb-scotland+f4',
    ];

    /** What some say between lines. */
    private const ASIDES = ['Sorry, where was I just now?', 'Hang on, the telephone is ringing.', 'No, that came out all wrong.'];

    /** @param  list<string>  $script  lines */
    public function __construct(private readonly array $script, private readonly string $folder)
    {
    }

    /**
     * @param  int  $seed  says which take: always the same
     * @return array{string, list<string>, list<array{line: int, complete: bool, from: float, until: float}>} a WAV file, its
     *    lines, and what is said of them, in seconds
     */
    public function make(int $seed): array
    {
        mt_srand($seed);
        $voice = self::VOICES[$seed % count(self::VOICES)];
        $pace = self::between(0.9, 1.15);
        $count = mt_rand(4, 7);
        $lines = array_slice($this->script, mt_rand(0, count($this->script) - $count), $count);
        $pcm = self::silence(self::between(0.3, 1.2));
        $said = [];
        $say = function (int $line, float $part) use (&$pcm, &$said, $lines, $voice, $pace): void {
            $sound = $this->voice($lines[$line], $voice, $pace * self::between(0.93, 1.07), mt_rand(-8, 8));
            $samples = (int) ((strlen($sound) / 2) * $part);
            $from = strlen($pcm) / 2 / self::RATE;
            $pcm .= $part < 1 ? self::brokenOff(substr($sound, 0, 2 * $samples)) : $sound;
            $said[] = ['line' => $line, 'complete' => $part >= 1, 'from' => $from, 'until' => strlen($pcm) / 2 / self::RATE];
        };
        foreach (array_keys($lines) as $line) {
            if ($line > 0 && $line < $count - 1 && self::chance(0.06)) {
                continue;
            }
            if (self::chance(0.07)) {
                $pcm .= $this->voice(self::ASIDES[mt_rand(0, 2)], $voice, $pace, 0).self::silence(self::between(0.3, 1.0));
            }
            for ($starts = self::chance(0.35) ? (self::chance(0.2) ? 2 : 1) : 0; $starts > 0; $starts--) {
                $say($line, self::between(0.25, 0.85));
                $pcm .= self::silence(self::between(0.15, 1.0));
            }
            $say($line, 1.0);
            $pcm .= self::silence(self::between(0.2, 0.7));
            if (self::chance(0.1)) {
                $say($line, 1.0);
                $pcm .= self::silence(self::between(0.2, 0.7));
            }
        }
        $wave = "{$this->folder}/stumbling-{$seed}.wav";
        $noise = self::between(12, 40);
        Program::run(
            ['ffmpeg', '-v', 'error', '-y', '-f', 's16le', '-ar', (string) self::RATE, '-ac', '1', '-i', 'pipe:0', $wave],
            input: self::withNoise($pcm.self::silence(0.6), $noise),
        );

        return [$wave, $lines, $said];
    }

    private static function chance(float $of): bool
    {
        return mt_rand() / mt_getrandmax() < $of;
    }

    private static function between(float $least, float $most): float
    {
        return $least + (mt_rand() / mt_getrandmax()) * ($most - $least);
    }

    private static function silence(float $seconds): string
    {
        return str_repeat("\0\0", (int) ($seconds * self::RATE));
    }

    /** Raw sound of a text, from its first sound to its last. */
    private function voice(string $text, string $voice, float $pace, int $higher): string
    {
        [$program, $name] = explode(' ', $voice);
        $wave = "{$this->folder}/said.wav";
        Program::run($program === 'flite'
            ? ['flite', '-voice', $name, '--setf', 'duration_stretch='.round(1.08 / $pace, 3), '-t', $text, '-o', $wave]
            : ['espeak-ng', '-v', $name, '-s', (string) (int) (155 * $pace), '-p', (string) (45 + $higher), '-w', $wave, $text]);
        $pcm = Program::run([
            'ffmpeg', '-v', 'error', '-i', $wave, '-ac', '1', '-ar', (string) self::RATE, '-f', 's16le', '-',
        ])['output'];
        $loud = array_keys(array_filter((array) unpack('s*', $pcm), fn (int $v): bool => abs($v) > 300));

        return substr($pcm, 2 * $loud[0], 2 * ($loud[count($loud) - 1] - $loud[0]));
    }

    private static function brokenOff(string $pcm): string
    {
        $keep = substr($pcm, 0, -2 * self::FADE);
        $end = array_values((array) unpack('s*', substr($pcm, -2 * self::FADE)));

        $faded = array_map(fn (int $v, int $i): int => (int) ($v * (1 - $i / self::FADE)), $end, array_keys($end));

        return $keep.pack('s*', ...$faded);
    }

    /** @param  float  $under  dB by which the noise lies under the voice */
    private static function withNoise(string $pcm, float $under): string
    {
        $samples = array_values((array) unpack('s*', $pcm));
        $voiced = array_filter($samples, fn (int $v): bool => abs($v) > 300);
        $loud = sqrt(array_sum(array_map(fn (int $v): float => $v ** 2, $voiced)) / max(1, count($voiced)));
        // Evenly spread values have a third of their square's height as power; a low pass takes two thirds of it.
        $height = $loud * 10 ** (-$under / 20) * 3.0;
        $low = 0.0;
        foreach ($samples as $i => $value) {
            $low = 0.5 * $low + 0.5 * ((mt_rand() / mt_getrandmax()) * 2 - 1) * $height;
            $samples[$i] = (int) max(-32768, min(32767, $value * 0.6 + $low * 0.6));
        }

        return pack('s*', ...$samples);
    }
}
