<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/**
 * Finds the gain that brings a sound to its target loudness behind a peak limiter.
 *
 * The limiter takes loudness away from a peaky voice, so a gain is tried, measured, and corrected by what is missing.
 * Loudness as in ITU-R BS.1770 / EBU R128, in LUFS.
 */
final readonly class GainSearch
{
    /** Tries before the best so far is taken. */
    public const TRIES = 4;

    /** Near enough, in LU: half of what sections may differ from the target. */
    public const TOLERANCE = 0.2;

    /** More gain than this would only raise noise, in dB. */
    private const MOST = 40.0;

    /** What R128 reports for silence, or for less than one 400 ms block. */
    private const UNMEASURABLE = -69.0;

    /**
     * @param  float  $gain  dB to be tried; once done, the best
     * @param  float  $best  the gain so far that came nearest
     * @param  float  $off  by how much it missed, in LU
     */
    private function __construct(
        public float $target,
        public float $gain,
        public bool $done,
        private int $try,
        private float $best = 0.0,
        private float $off = INF,
    ) {
    }

    /**
     * @param  float|null  $measured  loudness without any gain; null when it could not be measured
     */
    public static function start(float $target, ?float $measured): self
    {
        return $measured === null || $measured < self::UNMEASURABLE
            ? new self($target, 0.0, true, self::TRIES)
            : new self($target, self::bounded($target - $measured), false, 1);
    }

    /** @param  float  $reached  loudness measured with this gain and the limiter */
    public function next(float $reached): self
    {
        $missing = $this->target - $reached;
        [$best, $off] = abs($missing) < $this->off ? [$this->gain, abs($missing)] : [$this->best, $this->off];
        $gain = self::bounded($this->gain + $missing);
        $done = $off <= self::TOLERANCE || $this->try >= self::TRIES || $gain === $this->gain;

        return new self($this->target, $done ? $best : $gain, $done, $this->try + 1, $best, $off);
    }

    private static function bounded(float $gain): float
    {
        return round(max(-self::MOST, min(self::MOST, $gain)), 2);
    }
}
