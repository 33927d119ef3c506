<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

use OpenReel\Core\Kernel\Span;

/** How loud something is over time: amplitudes at moments, lines between them, flat before the first and behind the last. */
final readonly class Envelope
{
    /** Where two envelopes rise or fall together, so many lines stand for the curve that this makes. */
    private const STEPS = 8;

    /** @param  non-empty-list<array{int, float}>  $points  sample and amplitude (1 as it is), rising in time */
    public function __construct(public array $points)
    {
    }

    /** Silence outside, and up and down within a stretch. */
    public static function fades(int $from, int $until, int $in, int $out): self
    {
        $length = $until - $from;
        // When there is no time for both, they meet.
        $part = min(1.0, $length / max(1, $in + $out));
        $up = $from + (int) round($in * $part);
        $down = max($up, $until - (int) round($out * $part));

        return self::of([[$from, $in > 0 ? 0.0 : 1.0], [$up, 1.0], [$down, 1.0], [$until, $out > 0 ? 0.0 : 1.0]]);
    }

    /**
     * Quieter while something is heard: it has stepped back when that begins, and comes again from where it ends.
     *
     * @param  list<Span>  $heard  in order, apart from each other; a tick is a sample
     * @param  float  $depth  dB
     */
    public static function ducking(array $heard, float $depth, int $attack, int $release): self
    {
        $low = round(10 ** (-$depth / 20), 5);
        $points = [];
        foreach ($heard as $n => $span) {
            [$from, $until] = [$span->from->count, $span->until->count];
            $next = $heard[$n + 1] ?? null;
            $before = $n > 0 ? $heard[$n - 1]->until->count : null;
            // Between two that are near each other there is no time to come up and go again.
            if ($before === null || $from - $before >= $attack + $release) {
                array_push($points, [$from - $attack, 1.0], [$from, $low]);
            }
            if ($next === null || $next->from->count - $until >= $attack + $release) {
                array_push($points, [$until, $low], [$until + $release, 1.0]);
            }
        }

        return $points === [] ? new self([[0, 1.0]]) : self::of($points);
    }

    public function at(int $sample): float
    {
        $points = $this->points;
        $last = count($points) - 1;
        if ($sample <= $points[0][0] || $last === 0) {
            return $points[0][1];
        }
        if ($sample >= $points[$last][0]) {
            return $points[$last][1];
        }
        $low = 0;
        $high = $last;
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($points[$middle][0] <= $sample) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }
        [$from, $a] = $points[$low];
        [$until, $b] = $points[$high];

        return $a + ($b - $a) * ($sample - $from) / max(1, $until - $from);
    }

    public function louder(float $amplitude): self
    {
        return new self(array_map(fn (array $p): array => [$p[0], round($p[1] * $amplitude, 6)], $this->points));
    }

    /** Both at once. */
    public function times(self $other): self
    {
        $samples = array_map(fn (array $p): int => $p[0], [...$this->points, ...$other->points]);
        sort($samples);
        $samples = array_values(array_unique($samples));
        $points = [];
        foreach ($samples as $i => $sample) {
            $points[] = [$sample, round($this->at($sample) * $other->at($sample), 6)];
            $next = $samples[$i + 1] ?? $sample;
            $bothMove = $this->at($sample) !== $this->at($next) && $other->at($sample) !== $other->at($next);
            for ($step = 1; $bothMove && $step < self::STEPS; $step++) {
                $between = $sample + intdiv(($next - $sample) * $step, self::STEPS);
                $points[] = [$between, round($this->at($between) * $other->at($between), 6)];
            }
        }

        return self::of($points);
    }

    /** The same from one sample to another only. */
    public function within(int $from, int $until): self
    {
        $inside = array_values(array_filter($this->points, fn (array $p): bool => $p[0] > $from && $p[0] < $until));

        return self::of([[$from, round($this->at($from), 6)], ...$inside, [max($from, $until), round($this->at($until), 6)]]);
    }

    public function delayed(int $samples): self
    {
        return new self(array_map(fn (array $p): array => [$p[0] + $samples, $p[1]], $this->points));
    }

    /** @return string an amplitude a sample, 32 bits floating point, little-endian */
    public function bytes(int $from, int $until): string
    {
        $points = $this->within($from, $until)->points;
        $bytes = '';
        foreach ($points as $i => [$start, $a]) {
            [$stop, $b] = $points[$i + 1] ?? [$start, $a];
            if ($a === $b) {
                $bytes .= str_repeat(pack('g', $a), $stop - $start);

                continue;
            }
            $line = [];
            for ($n = 0, $count = $stop - $start; $n < $count; $n++) {
                $line[] = $a + ($b - $a) * $n / $count;
            }
            $bytes .= pack('g*', ...$line);
        }

        return $bytes;
    }

    /**
     * Without points that say nothing.
     *
     * @param  non-empty-list<array{int, float}>  $points  in order
     */
    private static function of(array $points): self
    {
        $kept = [$points[0]];
        foreach (array_slice($points, 1) as $i => $point) {
            $last = $kept[count($kept) - 1];
            $next = $points[$i + 2] ?? null;
            if ($last[0] === $point[0]) {
                // At one moment the later one holds.
                $kept[count($kept) - 1] = $point;
            } elseif ($next === null || $last[1] !== $point[1] || $next[1] !== $point[1]) {
                $kept[] = $point;
            }
        }

        return new self($kept);
    }
}
