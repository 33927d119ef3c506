<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** What ffmpeg's ebur128 filter reports: integrated loudness and true peak, as defined by ITU-R BS.1770. */
final readonly class LoudnessReport
{
    /**
     * @param  float|null  $lufs  null when too short or too quiet to measure
     * @param  float|null  $peak  dBTP; null for digital silence
     */
    public function __construct(public ?float $lufs, public ?float $peak)
    {
    }

    /** @param  string  $log  what ffmpeg wrote to its error output; the last summary counts */
    public static function parse(string $log): self
    {
        $summary = substr($log, (int) strrpos($log, 'Summary:'));
        $lufs = preg_match('/I:\s+(-?[\d.]+) LUFS/', $summary, $m) === 1 ? (float) $m[1] : null;
        $peak = preg_match('/Peak:\s+(-?[\d.]+) dBFS/', $summary, $m) === 1 ? (float) $m[1] : null;

        // R128 gates at -70 LUFS: that figure means that nothing passed the gate.
        return new self($lufs === null || $lufs <= -70.0 ? null : $lufs, $peak);
    }
}
