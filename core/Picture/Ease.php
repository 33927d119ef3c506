<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How a move gets going and comes to rest. */
enum Ease: string
{
    case Steady = 'steady';

    /** Slow, fast, slow: half a turn of a cosine. */
    case Soft = 'soft';

    /** How much of the way is done when a part of the time has gone, both 0..1. */
    public function at(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $this === self::Steady ? $part : (1 - cos(M_PI * $part)) / 2;
    }

    /**
     * How much of the way is done, as an expression of the encoder. `rectAt` in resources/js/ui/place.ts is the same, by the
     * same examples (tests/examples/motion.json).
     *
     * @param  string  $part  of the time that has gone, 0..1, as such an expression
     */
    public function expression(string $part): string
    {
        return $this === self::Steady ? $part : "((1-cos(PI*{$part}))/2)";
    }
}
