<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * How fast someone speaks, against the pace assumed until it is known.
 *
 * Learned from kept takes as the median of how long each really lasted against what was expected, so that one take with
 * a long silence in it moves nothing.
 */
final readonly class Pace
{
    /** Fewer takes say too little. */
    public const NEEDED = 3;

    /** Shorter ones are ruled by their padding, not by the pace: five seconds. */
    private const SHORTEST_MS = 5_000;

    /** Slower or faster than this is no pace but a mistake. */
    private const SLOWEST = 2.0;

    private const FASTEST = 0.5;

    /**
     * @param  float  $factor  real time against expected time: 1.2 takes a fifth longer
     * @param  int  $takes  how many it was learned from; 0 for the assumed pace
     */
    private function __construct(public float $factor, public int $takes)
    {
    }

    public static function assumed(): self
    {
        return new self(1.0, 0);
    }

    /**
     * @param  list<PaceSample>  $takes
     * @return self the assumed pace when there are not enough takes
     */
    public static function learn(array $takes): self
    {
        $ratios = [];
        foreach ($takes as $take) {
            if ($take->expectedMs >= self::SHORTEST_MS && $take->realMs > 0) {
                $ratios[] = $take->realMs / $take->expectedMs;
            }
        }
        if (count($ratios) < self::NEEDED) {
            return self::assumed();
        }
        sort($ratios);
        $middle = intdiv(count($ratios), 2);
        $median = count($ratios) % 2 === 1 ? $ratios[$middle] : ($ratios[$middle - 1] + $ratios[$middle]) / 2;

        return new self(round(max(self::FASTEST, min(self::SLOWEST, $median)), 3), count($ratios));
    }

    public function isLearned(): bool
    {
        return $this->takes > 0;
    }
}
