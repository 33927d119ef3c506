<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;

/** A place inside a line of which it is known when a take comes to it. */
final readonly class WordAnchor
{
    /** @param  float  $within  part of the line's text that is spoken before, 0..1 */
    public function __construct(public string $line, public float $within, public Tick $at)
    {
    }
}
