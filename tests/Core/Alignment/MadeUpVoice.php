<?php

declare(strict_types=1);

namespace Tests\Core\Alignment;

use OpenReel\Core\Alignment\ReferenceVoice;
use OpenReel\Core\Alignment\SpokenWords;

/** Says each letter as a sound of its own, of three tones: words are told from each other, as with a real voice. */
final class MadeUpVoice implements ReferenceVoice
{
    private const RATE = 16_000;

    /** @var array<string, string> sounds by letter, voice and rate: words are said again and again */
    private array $letters = [];

    /** @param  float  $pitch  of its tones, 1 for the usual */
    public function __construct(private readonly float $pitch = 1.0)
    {
    }

    public function say(array $texts, bool $high, int $rate, bool $apart = false): array
    {
        return array_map(function (string $text) use ($high, $rate, $apart): string {
            $sound = '';
            foreach (SpokenWords::of($text) as $n => $word) {
                $sound .= ($n > 0 && $apart ? str_repeat("\0\0", 6_400) : '').$this->word($word, $high, $rate);
            }
            $step = 2 * self::RATE / 50;

            return $sound.str_repeat("\0", ($step - strlen($sound) % $step) % $step).str_repeat("\0\0", 3_200);
        }, $texts);
    }

    private function word(string $word, bool $high, int $rate): string
    {
        $letters = str_split((string) preg_replace('/[^a-z0-9]/', '', strtolower($word)));

        return implode('', array_map(
            fn (string $letter): string => $this->letters["{$letter} {$rate} ".($high ? 'high' : 'low')]
                ??= $this->letter($letter, $high, $rate),
            $letters,
        ));
    }

    private function letter(string $letter, bool $high, int $rate): string
    {
        $count = (int) round(self::RATE * 0.09 * 165 / $rate);
        $seed = crc32($letter);
        $pitch = $this->pitch * ($high ? 1.25 : 1.0);
        $tones = [250 + $seed % 450, 900 + intdiv($seed, 500) % 1_300, 2_300 + intdiv($seed, 700_000) % 1_500];
        $samples = [];
        for ($i = 0; $i < $count; $i++) {
            // Sounds begin and end softly.
            $loud = min(1.0, $i / 160, ($count - $i) / 160);
            $value = 0.0;
            foreach ($tones as $n => $hertz) {
                $value += [5_000, 3_000, 1_500][$n] * sin(2 * M_PI * $pitch * $hertz * $i / self::RATE);
            }
            $samples[] = (int) round($loud * $value) & 0xFFFF;
        }

        return pack('v*', ...$samples);
    }
}
