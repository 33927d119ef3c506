<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** A token in a line: what it has paid, where it is, and where it came in. */
final readonly class Token
{
    /**
     * @param  float  $cost  what it would pay to leave the line here
     * @param  float  $score  what it has paid so far
     * @param  int  $frame  of the line
     * @param  int  $entry  where it came in, as of Trail
     */
    public function __construct(public float $cost, public float $score, public int $frame, public int $entry)
    {
    }
}
