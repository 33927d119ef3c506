<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** A frame in which somebody speaks. */
final readonly class SpokenFrame
{
    /**
     * @param  int  $number  in the take
     * @param  list<float>  $x  what it sounds like, Cepstra::SIZE numbers
     * @param  float  $scale  what a distance of one from it costs
     */
    public function __construct(public int $number, public array $x, public float $scale)
    {
    }
}
