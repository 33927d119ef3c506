<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

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

    /** @return float|null dBFS of the largest sample; null for digital silence */
    public function peak(): ?float
    {
        $largest = $this->peaks === [] ? 0 : max($this->peaks);

        return $largest === 0 ? null : 20 * log10($largest / 32768);
    }

    /** @return string one byte a window: how many whole dB it lies below full scale, 0..96 */
    public function packed(): string
    {
        return implode(
            '',
            array_map(fn (float $rms): string => chr((int) round(-max(self::FLOOR_DB, min(0.0, $rms)))), $this->rms),
        );
    }

    /** @param  string  $packed  as of packed(); peaks are not known then */
    public static function unpacked(string $packed): self
    {
        $rms = array_map(fn (int $db): float => (float) -$db, array_values((array) unpack('C*', $packed)));

        return new self($rms, [], 0, count($rms) * self::WINDOW);
    }

    /**
     * Where it is quietest near a place, so that nothing is cut in two there.
     *
     * @param  Tick  $around  how far to look on either side
     * @return Tick the middle of the quietest tenth of a second; of equally quiet ones the nearest
     */
    public function quietest(Tick $place, Tick $around): Tick
    {
        $half = 5;
        $centre = intdiv($place->count, self::WINDOW);
        $reach = intdiv($around->count, self::WINDOW);
        $best = $centre;
        $least = INF;
        for ($window = max($half, $centre - $reach); $window <= min(count($this->rms) - $half, $centre + $reach); $window++) {
            $level = array_sum(
                array_map(fn (float $db): float => 10 ** ($db / 10), array_slice($this->rms, $window - $half, 2 * $half)),
            );
            if ($level < $least * 0.98 || ($level <= $least && abs($window - $centre) < abs($best - $centre))) {
                [$best, $least] = [$window, $level];
            }
        }

        return $least === INF ? $place : Tick::of($best * self::WINDOW);
    }

    /**
     * The stretch of a length in which it is quietest: there one hears the room.
     *
     * @return Span|null null when the sound is shorter
     */
    public function quietestStretch(Tick $length): ?Span
    {
        $windows = max(1, intdiv($length->count, self::WINDOW));
        if (count($this->rms) < $windows) {
            return null;
        }
        $energy = array_map(fn (float $db): float => 10 ** ($db / 10), $this->rms);
        $sum = array_sum(array_slice($energy, 0, $windows));
        [$least, $from] = [$sum, 0];
        for ($i = $windows; $i < count($energy); $i++) {
            $sum += $energy[$i] - $energy[$i - $windows];
            if ($sum < $least) {
                [$least, $from] = [$sum, $i - $windows + 1];
            }
        }

        return Span::between(Tick::of($from * self::WINDOW), Tick::of(($from + $windows) * self::WINDOW));
    }

    /** @return float dBFS of the tenth of a second round a place; FLOOR_DB outside */
    public function around(Tick $place): float
    {
        $windows = array_slice($this->rms, max(0, intdiv($place->count, self::WINDOW) - 5), 10);
        $energy = array_sum(array_map(fn (float $db): float => 10 ** ($db / 10), $windows));

        return $windows === [] ? self::FLOOR_DB : 10 * log10($energy / count($windows));
    }

    /** @return float dBFS of the loudest window of a stretch; FLOOR_DB of none */
    public function loudestIn(Span $stretch): float
    {
        $from = intdiv($stretch->from->count, self::WINDOW);

        return max([
            self::FLOOR_DB,
            ...array_slice($this->rms, $from, intdiv($stretch->until->count, self::WINDOW) - $from),
        ]);
    }

    /** The middle of the loudest window. */
    public function loudest(): Tick
    {
        $at = $this->rms === [] ? 0 : (int) array_search(max($this->rms), $this->rms, true);

        return Tick::of($at * self::WINDOW + intdiv(self::WINDOW, 2));
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
            fn (array $stretch): int => (int) round((1000 * ($stretch === [] ? 0 : max($stretch))) / 32768),
            array_chunk($this->peaks, $each),
        );
    }
}
