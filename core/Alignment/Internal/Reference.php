<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Alignment\ReferenceVoice;
use OpenReel\Core\Alignment\SpokenWords;

/** Makes of what the reference voice says what a take is compared with. */
final class Reference
{
    /** Quieter than the loud parts by so many dB is no speech: the voice is clean. With words apart, so many. */
    private const DEPTH = 38.0;

    private const DEPTH_APART = 45.0;

    /** Frames: gaps up to 100 ms are stops inside a word; with words apart up to 240 ms. */
    private const GAP = 5;

    private const GAP_APART = 12;

    /** Bytes of sound a frame. */
    private const BYTES = 2 * Spectrum::RATE * Frames::STEP_MS / 1000;

    /** So many lines are said word by word at once, since that is long. */
    private const APART = 8;

    private readonly Frames $spectrum;

    private readonly string $mask;

    /** @var array<int, int> by line its frames, pauses included */
    private readonly array $lengths;

    /** @param  array<int, string>  $texts  as they are spoken, by the number of the line */
    public function __construct(
        private readonly ReferenceVoice $voice,
        private readonly array $texts,
        private readonly bool $high,
        private readonly int $rate,
    ) {
        $sounds = array_combine(array_keys($texts), $voice->say(array_values($texts), $high, $rate));
        $this->spectrum = Spectrum::read($sounds);
        $this->mask = self::mask($this->spectrum, 0.93, self::DEPTH, self::GAP);
        $this->lengths = array_map(fn (string $sound): int => intdiv(strlen($sound), self::BYTES), $sounds);
    }

    /**
     * @param  list<float>|null  $noise  as of Speech: the same is added, so that both are equally noisy; null for none
     * @return array<int, ReferenceLine> by number
     */
    public function lines(?array $noise): array
    {
        $cepstra = Cepstra::of($this->spectrum, $this->mask, $noise === null ? null : $this->added($noise));
        $lines = [];
        $at = 0;
        foreach ($this->lengths as $number => $length) {
            $spoken = '';
            for ($until = min($cepstra->count, $at + $length); $at < $until; $at++) {
                $spoken .= $this->mask[$at] === '1' ? pack('g*', ...$cepstra->at($at)) : '';
            }
            $lines[$number] = new ReferenceLine(Cepstra::withChange(Frames::packed($spoken, Cepstra::COEFFICIENTS))->all());
        }

        return $lines;
    }

    /**
     * @param  list<float>  $noise  parts of the speech's energy
     * @return list<float> energies
     */
    private function added(array $noise): array
    {
        $means = array_fill(0, MelBank::BANDS, 0.0);
        $count = max(1, substr_count($this->mask, '1'));
        for ($frame = 0; $frame < $this->spectrum->count; $frame++) {
            if ($this->mask[$frame] === '1') {
                foreach ($this->spectrum->at($frame) as $band => $energy) {
                    $means[$band] += $energy / $count;
                }
            }
        }

        return array_map(fn (float $mean, float $part): float => $mean * $part, $means, $noise);
    }

    /**
     * Where words begin: the voice says them one by one, and each is found in what it says fluently.
     *
     * @param  list<int>  $numbers  of the lines that are wanted
     * @return array<int, list<int>> for each line the frame at which each of its words begins; empty where some are not heard by
     *    themselves, since espeak-ng runs some together
     */
    public function words(array $numbers): array
    {
        $lines = $this->lines(null);
        $found = [];
        foreach (array_chunk($numbers, self::APART) as $some) {
            $texts = array_map(fn (int $n): string => implode(' ', SpokenWords::of($this->texts[$n])), $some);
            foreach ($this->voice->say($texts, $this->high, $this->rate, true) as $i => $sound) {
                $found[$some[$i]] = self::begins($sound, count(explode(' ', $texts[$i])), $lines[$some[$i]]);
            }
        }

        return $found;
    }

    /** @return list<int> */
    private static function begins(string $apart, int $words, ReferenceLine $line): array
    {
        $spectrum = Spectrum::read([$apart]);
        $mask = self::mask($spectrum, 0.97, self::DEPTH_APART, self::GAP_APART);
        preg_match_all('/1+/', $mask, $runs, PREG_OFFSET_CAPTURE);
        if (count($runs[0]) !== $words || $line->frames === []) {
            return [];
        }
        $cepstra = Cepstra::of($spectrum, $mask);
        $spoken = '';
        $starts = [];
        foreach ($runs[0] as [$run, $from]) {
            $starts[] = intdiv(strlen($spoken), 4 * Cepstra::COEFFICIENTS);
            for ($at = $from; $at < $from + strlen($run); $at++) {
                $spoken .= pack('g*', ...$cepstra->at($at));
            }
        }
        $frames = Cepstra::withChange(Frames::packed($spoken, Cepstra::COEFFICIENTS));
        $path = Warp::path(new Speech($frames, str_repeat('1', $frames->count), []), $line->frames, 0, $frames->count);

        return [0, ...array_map(fn (int $start): int => $path[$start], array_slice($starts, 1))];
    }

    private static function mask(Frames $spectrum, float $loud, float $depth, int $gap): string
    {
        $energies = [];
        for ($frame = 0; $frame < $spectrum->count; $frame++) {
            $energies[] = 10 * log10(array_sum($spectrum->at($frame)));
        }
        $sorted = $energies;
        sort($sorted);
        $least = ($sorted[(int) (count($sorted) * $loud)] ?? 0.0) - $depth;

        return VoiceActivity::without(
            implode('', array_map(fn (float $e): string => $e > $least ? '1' : '0', $energies)),
            '0',
            $gap,
        );
    }
}
