<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Sound\ClickSound;

/**
 * Puts pieces of sound one behind the other: raw PCM, 16 bits little-endian, stereo. At a cut both sides are heard for 40 ms at
 * constant power (cosine and sine), so that a change of the room's noise is no click; where pictures dissolve, for as long as
 * they do; at a dip one goes and then the other comes.
 */
final class SoundMix
{
    /** Of a sample, both sides. */
    public const BYTES = 4;

    /** The film begins and ends in 5 ms. */
    private const EASE = 240;

    private const BLOCK = 48_000;

    /**
     * @param  list<SoundPlace>  $places  in order
     * @param  int  $end  sample behind the last of the film
     * @param  \Closure(SoundPiece): resource  $open  opens a piece's file
     */
    public function __construct(private readonly array $places, private readonly int $end, private readonly \Closure $open)
    {
    }

    /**
     * Writes the samples from one to another; where nothing is heard, silence.
     *
     * @param  resource  $out
     */
    public function write(int $from, int $until, $out): void
    {
        $done = $from;
        foreach ($this->stretches() as $stretch) {
            $start = max($stretch->from, $done);
            $stop = min($stretch->until, $until);
            if ($start >= $stop) {
                continue;
            }
            fwrite($out, str_repeat("\0", self::BYTES * ($start - $done)));
            if ($stretch->change === null) {
                $this->copy($this->places[$stretch->place], $start, $stop, $out);
            } else {
                fwrite($out, $this->changed($stretch->place, $start, $stop));
            }
            $done = $stop;
        }
        fwrite($out, str_repeat("\0", self::BYTES * max(0, $until - $done)));
    }

    /** @return list<MixStretch> in order */
    private function stretches(): array
    {
        $stretches = [];
        $at = $this->places[0]->at ?? 0;
        foreach ($this->places as $i => $place) {
            if ($i > 0) {
                [$from, $until] = $place->change($this->places[$i - 1]);
                $stretches[] = new MixStretch($at, $from, $i - 1);
                $stretches[] = new MixStretch($from, $until, $i, $place->join);
                $at = $until;
            }
        }
        if ($this->places !== []) {
            $last = count($this->places) - 1;
            $stretches[] = new MixStretch($at, $this->places[$last]->end(), $last);
        }

        return $stretches;
    }

    /** @param  resource  $out */
    private function copy(SoundPlace $place, int $from, int $until, $out): void
    {
        for ($at = $from; $at < $until; $at += self::BLOCK) {
            fwrite($out, $this->eased($this->samples($place, $at, min($until, $at + self::BLOCK)), $at));
        }
    }

    private function changed(int $index, int $from, int $until): string
    {
        [$before, $after] = [$this->places[$index - 1], $this->places[$index]];
        [$start, $stop] = $after->change($before);
        $a = self::numbers($this->samples($before, $from, $until));
        $b = self::numbers($this->samples($after, $from, $until));
        $mixed = [];
        for ($i = 0, $n = $until - $from; $i < $n; $i++) {
            [$gainA, $gainB] = self::gains($after->join, ($from + $i - $start + 0.5) / ($stop - $start));
            foreach ([2 * $i, 2 * $i + 1] as $k) {
                $mixed[] = max(-32768, min(32767, (int) round($gainA * $a[$k] + $gainB * $b[$k]))) & 0xFFFF;
            }
        }

        return $this->eased(pack('v*', ...$mixed), $from);
    }

    /** @return array{float, float} */
    private static function gains(TransitionKind $kind, float $part): array
    {
        return $kind === TransitionKind::Dip
            ? [max(0.0, 1 - 2 * $part), max(0.0, 2 * $part - 1)]
            : [cos(M_PI_2 * $part), sin(M_PI_2 * $part)];
    }

    /** The film's own beginning and end. */
    private function eased(string $samples, int $at): string
    {
        $count = intdiv(strlen($samples), self::BYTES);
        if ($at >= self::EASE && $at + $count <= $this->end - self::EASE) {
            return $samples;
        }
        $numbers = self::numbers($samples);
        for ($i = 0; $i < $count; $i++) {
            $gain = max(0.0, min(1.0, ($at + $i) / self::EASE, ($this->end - $at - $i) / self::EASE));
            if ($gain < 1.0) {
                $numbers[2 * $i] = (int) round($gain * $numbers[2 * $i]);
                $numbers[2 * $i + 1] = (int) round($gain * $numbers[2 * $i + 1]);
            }
        }

        return pack('v*', ...array_map(fn (int $v): int => $v & 0xFFFF, $numbers));
    }

    /** Samples of a place, which reaches by its handles further than it is heard; silence beyond them. */
    private function samples(SoundPlace $place, int $from, int $until): string
    {
        $offset = $from - $place->at + SoundPiece::HANDLE;
        $missing = max(0, -$offset);
        $file = ($this->open)($place->piece);
        fseek($file, self::BYTES * max(0, $offset));
        $bytes = str_repeat("\0", self::BYTES * min($missing, $until - $from));
        $wanted = self::BYTES * max(0, $until - $from - $missing);
        $bytes .= $wanted === 0 ? '' : (string) stream_get_contents($file, $wanted);
        $samples = self::silenced(str_pad($bytes, self::BYTES * ($until - $from), "\0"), $place, $from);

        return $this->clicked($samples, $place, $from);
    }

    /** Without what is to be silent; sound goes and comes in 5 ms, within the silence. */
    private static function silenced(string $samples, SoundPlace $place, int $from): string
    {
        $count = intdiv(strlen($samples), self::BYTES);
        foreach ($place->silences as $silence) {
            [$start, $stop] = [$place->at + $silence->from->count - $from, $place->at + $silence->until->count - $from];
            [$first, $last] = [max(0, $start), min($count, $stop)];
            if ($first >= $last) {
                continue;
            }
            $numbers = self::numbers(substr($samples, self::BYTES * $first, self::BYTES * ($last - $first)));
            for ($i = $first; $i < $last; $i++) {
                $gain = max(0.0, 1 - min($i - $start, $stop - 1 - $i) / self::EASE);
                foreach ([2 * ($i - $first), 2 * ($i - $first) + 1] as $k) {
                    $numbers[$k] = (int) round($gain * $numbers[$k]) & 0xFFFF;
                }
            }
            $samples = substr_replace($samples, pack('v*', ...$numbers), self::BYTES * $first, self::BYTES * ($last - $first));
        }

        return $samples;
    }

    /** With the clicks of the pointer that are heard meanwhile. */
    private function clicked(string $samples, SoundPlace $place, int $from): string
    {
        $count = intdiv(strlen($samples), self::BYTES);
        $numbers = null;
        foreach ($place->clicks as $click) {
            $start = $place->at + $click - $from;
            for ($i = max(0, $start); $i < min($count, $start + ClickSound::SAMPLES); $i++) {
                $numbers ??= self::numbers($samples);
                foreach ([2 * $i, 2 * $i + 1] as $k) {
                    $numbers[$k] = max(-32768, min(32767, $numbers[$k] + ClickSound::at($i - $start)));
                }
            }
        }

        return $numbers === null ? $samples : pack('v*', ...array_map(fn (int $v): int => $v & 0xFFFF, $numbers));
    }

    /** @return list<int> */
    private static function numbers(string $bytes): array
    {
        return array_map(fn (int $v): int => $v >= 32768 ? $v - 65536 : $v, array_values(unpack('v*', $bytes) ?: []));
    }
}
