<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** Where a hand was at a time. */
final readonly class TimedPoint
{
    /** What a mouse says of how hard it is pressed. */
    public const PRESSURE = 0.5;

    /**
     * @param  int  $ms  milliseconds since the movement began
     * @param  float  $x  part of the picture's width, 0..1
     * @param  float  $y  part of the picture's height, 0..1
     * @param  float  $pressure  how hard the pen is pressed, 0..1
     */
    public function __construct(public int $ms, public float $x, public float $y, public float $pressure = self::PRESSURE)
    {
    }
}
