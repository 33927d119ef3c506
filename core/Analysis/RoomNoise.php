<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Sound\Levels;

/** How loud voice and room are in a take. */
final readonly class RoomNoise
{
    /** The room is what is left in the quietest tenth of a take: people breathe and think at least that long. */
    private const QUIETEST = 0.1;

    /** What lies further below the voice's own level is a gap in it (ITU-T P.56, method B: margin of 15.9 dB). */
    private const MARGIN_DB = 15.9;

    private const ROUNDS = 20;

    /**
     * @param  float  $voice  dBFS, while somebody speaks
     * @param  float  $noise  dBFS, while nobody does
     */
    private function __construct(public float $voice, public float $noise)
    {
    }

    /** @return self|null null when nobody speaks */
    public static function of(Levels $levels): ?self
    {
        if (SpeechFinder::find($levels) === null) {
            return null;
        }
        $sorted = $levels->rms === [] ? [Levels::FLOOR_DB] : $levels->rms;
        sort($sorted);
        $quiet = array_slice($sorted, 0, max(1, (int) (self::QUIETEST * count($sorted))));

        return new self(self::activeLevel($sorted), self::mean($quiet));
    }

    /** @return float dB by which the room lies under the voice */
    public function under(): float
    {
        return $this->voice - $this->noise;
    }

    /** Which windows hold the voice itself, and no gap in it. */
    public function isVoice(float $rms): bool
    {
        return $rms > $this->voice - self::MARGIN_DB;
    }

    /** @param  non-empty-list<float>  $rms */
    private static function activeLevel(array $rms): float
    {
        $level = self::mean($rms);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $active = array_values(array_filter($rms, fn (float $db): bool => $db > $level - self::MARGIN_DB));
            $next = $active === [] ? $level : self::mean($active);
            if (abs($next - $level) < 0.05) {
                break;
            }
            $level = $next;
        }

        return $level;
    }

    /**
     * Of energies.
     *
     * @param  non-empty-list<float>  $rms  dBFS
     */
    private static function mean(array $rms): float
    {
        return 10 * log10(array_sum(array_map(fn (float $db): float => 10 ** ($db / 10), $rms)) / count($rms));
    }
}
