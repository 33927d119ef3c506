<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** A place in a line of the script. */
final readonly class LinePlace
{
    /**
     * @param  string  $line  id
     * @param  float  $within  part of that line that is spoken before, 0..1
     */
    public function __construct(public string $line, public float $within)
    {
    }
}
