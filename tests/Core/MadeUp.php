<?php

declare(strict_types=1);

namespace Tests\Core;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up lessons for tests: the same seed makes the same ones, everywhere. */
final readonly class MadeUp
{
    private const WORDS = 'the tide falls slowly at first and then it runs fast past our slip low water is at 06:42 in spring '.
        'a rower reads table before boat leaves harbour never after wind over makes short steep waves '.
        'keep half depth under keel moon sun twelfths rule';

    /** One word each, with what is read aloud otherwise than it is written. */
    private const ODD = [
        '4.8 m', '1/12', '3/4', '£12.50', '5–7 kn', 'Dr. Pell', 'No. 3', '14 March 2026', 'x²', '20 °C', 'e.g. this', 'GPS', '1,200',
        '50 %',
        'the 3rd', '12:05', '2×3=6', 'naïve', 'well-known', '"quoted"', '(aside)', '…', '7:00', '$1 million', '10^3', '-4', 'a.m.', 'H₂O',
    ];

    private const CUES = [
        '[layout: side by side, 0.5 s]', '[layout: slide alone]', '[layout: camera alone, 1 s]',
        '[layout: slide with inset, top left, large]',
        '[slide: One]', '[slide: Two]', '[slide]', '[board: 1]', '[board: 2, squared]', '[screen: x]', '[zoom: 20 10 40]',
        '[zoom: 20 10 40, 1 s]',
        '[zoom: 40 40 20, 2 s]', '[zoom: out]', '[zoom: out, 0.7 s]', '[emphasis: box 20 10 30 12]',
        '[emphasis: arrow 20 10 30 12, drawn, 1 s]',
        '[emphasis: none]', '[emphasis: underline 20 10 30, second]', '[label: Low water, at 20 20, 2 s]', '[picture: Two, at 10 10 20]',
        '[keys: Ctrl+S]', '[name: Wenna Tregear, rower, 3 s]', '[background: ink]', '[background: usual]', '[step]', '[step: 2]',
        '[pause 2 s]',
        '[pause: 0.5 s]', '[note: ask]', '[music: Slack water, -3 dB, in 2 s]', '[music: none]', '[speed: 4 x]', '[speed: cut]',
        '[camera alone]',
        '[target 1:30]', '[pause: soon]', '[zoom: 90 90 90]', '[layout: upside down]',
    ];

    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function between(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }

    /**
     * Once in so many times.
     *
     * @phpstan-impure
     */
    public function oneIn(int $times): bool
    {
        return $this->between(1, $times) === 1;
    }

    /**
     * @template T
     *
     * @param  non-empty-array<T>  $of
     * @return T
     */
    public function one(array $of): mixed
    {
        return array_values($of)[$this->between(0, count($of) - 1)];
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return list<T>
     */
    public function shuffled(array $of): array
    {
        return array_values($this->random->shuffleArray($of));
    }

    public function cue(): string
    {
        return $this->one(self::CUES);
    }

    /** @return string with a capital letter and its stop, without cues */
    public function sentence(int $words = 7, bool $odd = true): string
    {
        $plain = explode(' ', self::WORDS);
        $said = [];
        for ($n = 0; $n < $words; $n++) {
            $said[] = ($odd && $this->oneIn(7) ? $this->one(self::ODD) : $this->one($plain)).($this->oneIn(9) ? ',' : '');
        }

        return ucfirst(rtrim(implode(' ', $said), ',')).$this->one(['.', '.', '.', '?', '!', ':']);
    }

    /** Several, some with cues before or inside, in paragraphs. */
    public function text(int $sentences): string
    {
        $text = '';
        for ($n = 0; $n < $sentences; $n++) {
            $words = explode(' ', $this->sentence($this->between(1, 14)));
            if ($this->oneIn(2)) {
                array_splice($words, $this->between(0, count($words)), 0, [$this->cue()]);
            }
            $text .= ($this->oneIn(3) ? $this->cue().' ' : '').implode(' ', $words).($this->oneIn(4) ? "\n\n" : ' ');
        }

        return trim($text);
    }

    /** @return string a whole script in Markdown */
    public function script(int $sections): string
    {
        $script = "# {$this->sentence(3, false)}\n\n";
        for ($n = 0; $n < $sections; $n++) {
            $script .= "## {$this->sentence(2, false)}\n\n{$this->text($this->between(0, 6))}\n\n";
        }

        return $script;
    }
}
