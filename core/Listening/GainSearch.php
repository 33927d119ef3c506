<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

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

    private function __construct(public float $target, public float $gain, public bool $done, private int $try)
    {
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
        $gain = self::bounded($this->gain + $missing);
        $done = abs($missing) <= self::TOLERANCE || $this->try >= self::TRIES || $gain === $this->gain;

        return new self($this->target, $done ? $this->gain : $gain, $done, $this->try + 1);
    }

    private static function bounded(float $gain): float
    {
        return round(max(-self::MOST, min(self::MOST, $gain)), 2);
    }
}
