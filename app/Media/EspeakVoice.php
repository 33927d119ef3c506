<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Alignment\ReferenceVoice;
use OpenReel\Core\Script\Language;

/** espeak-ng as the reference voice. */
final class EspeakVoice implements ReferenceVoice
{
    /** Samples a second that espeak-ng gives; 441 of them are a step of 20 ms. */
    private const RATE = 22_050;

    private const STEP = 882;

    /** espeak-ng counts gaps between words in 10 ms at its usual rate; they shrink with a faster one. */
    private const GAP = 0.24;

    private const HEADER = 44;

    /** espeak-ng's names of its voices, and of what makes one high. */
    private const VOICES = ['en' => 'en-us', 'de' => 'de', 'fr' => 'fr-fr', 'es' => 'es'];

    private const HIGH = '+f3';

    public function __construct(
        private readonly string $program,
        private readonly string $ffmpeg,
        private readonly Language $language = Language::English,
    ) {
    }

    public function say(array $texts, bool $high, int $rate, bool $apart = false): array
    {
        $sounds = array_map(fn (string $text): string => $this->sound($text, $high, $rate, $apart), $texts);
        // All of them at once: to start a program takes longer than what it does here.
        $pcm = Program::run(
            [$this->ffmpeg, '-v', 'error', '-f', 's16le', '-ar', (string) self::RATE, '-ac', '1', '-i', 'pipe:0',
                '-af', 'highpass=f=90', '-ar', '16000', '-f', 's16le', 'pipe:1'],
            input: implode('', $sounds),
        )['output'];
        $made = [];
        $at = 0;
        foreach ($sounds as $sound) {
            $length = intdiv(strlen($sound), self::STEP) * 640;
            $made[] = str_pad(substr($pcm, $at, $length), $length, "\0");
            $at += $length;
        }

        return $made;
    }

    /** @return string samples in whole steps, with some silence behind them */
    private function sound(string $text, bool $high, int $rate, bool $apart): string
    {
        $voice = self::VOICES[$this->language->value].($high ? self::HIGH : '');
        $gap = $apart ? ['-g', (string) (int) round(self::GAP * $rate)] : [];
        $wave = Program::run(
            [$this->program, '-z', '-v', $voice, '-s', (string) $rate, ...$gap, '--stdin', '--stdout'],
            input: $text,
        )['output'];
        $pcm = substr($wave, self::HEADER).str_repeat("\0", self::STEP);

        return $pcm.str_repeat("\0", (self::STEP - strlen($pcm) % self::STEP) % self::STEP);
    }
}
