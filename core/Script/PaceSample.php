<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A take from which a pace is learned. */
final readonly class PaceSample
{
    /**
     * @param  int  $expectedMs  milliseconds its words take at the assumed pace
     * @param  int  $realMs  milliseconds they took, without the silence that the script asks for
     */
    public function __construct(public int $expectedMs, public int $realMs)
    {
    }
}
