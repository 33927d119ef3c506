<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

use OpenReel\Core\Time\Tick;

/** The level of a sound in windows of 10 ms. */
final readonly class Levels
{
    /** Ticks (samples) in a window. */
    public const WINDOW = 480;

    /** What a window of digital silence is given, in dBFS: the floor of 16-bit sound. */
    public const FLOOR_DB = -96.0;

    /**
     * @param  list<float>  $rms  root mean square a window, dBFS, FLOOR_DB..0
     * @param  list<int>  $peaks  largest absolute sample a window, 0..32768
     * @param  int  $clips  runs of three or more samples at full scale
     * @param  int  $samples  mono samples read
     */
    public function __construct(public array $rms, public array $peaks, public int $clips, public int $samples)
    {
    }

    public function length(): Tick
    {
        return Tick::of($this->samples);
    }

    /**
     * The level that the given part of all windows stays below.
     *
     * @param  float  $part  0..1
     * @return float dBFS; FLOOR_DB when there are no windows
     */
    public function percentile(float $part): float
    {
        $sorted = $this->rms;
        sort($sorted);

        return $sorted[(int) floor($part * (count($sorted) - 1))] ?? self::FLOOR_DB;
    }

    /**
     * The wave as drawn: the largest sample of each of at most `$points` equal stretches.
     *
     * @return list<int> 0..1000, thousandths of full scale
     */
    public function wave(int $points): array
    {
        $each = max(1, (int) ceil(count($this->peaks) / max(1, $points)));

        return array_map(
            fn (array $stretch): int => (int) round(1000 * ($stretch === [] ? 0 : max($stretch)) / 32768),
            array_chunk($this->peaks, $each),
        );
    }
}
