<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening\Alignment;

/**
 * How sure one may be that a read is the line it was taken for, from what it costs a frame. Measured on synthetic takes from 10 dB
 * signal to noise up and on human speech: right lines cost 0.37 to 0.89 (the middle read of a take), another script's 0.96 to 1.09.
 */
final class Confidence
{
    private const MIDDLE = 0.93;

    private const STEEP = 0.04;

    /** @return float 0..1 */
    public static function of(Speech $speech, Attempt $attempt): float
    {
        return self::at($attempt->cost / max(1, $speech->spoken($attempt->from, $attempt->until)));
    }

    /**
     * That of the middle read, and none where none was found.
     *
     * @param  list<Attempt>  $attempts
     */
    public static function ofAll(Speech $speech, array $attempts): float
    {
        $each = array_map(fn (Attempt $a): float => self::of($speech, $a), $attempts);
        sort($each);

        return $each[intdiv(count($each), 2)] ?? 0.0;
    }

    private static function at(float $cost): float
    {
        return round(1 / (1 + exp(($cost - self::MIDDLE) / self::STEEP)), 3);
    }
}
