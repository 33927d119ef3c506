<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;

/** What stood on a surface was wiped off it at a moment of the take. */
final readonly class Erasure
{
    public function __construct(public string $on, public Tick $at)
    {
    }
}
