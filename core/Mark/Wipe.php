<?php

declare(strict_types=1);

namespace OpenReel\Core\Mark;

use OpenReel\Core\Time\Tick;

/** What stood on a surface was wiped off it at a moment of the take. */
final readonly class Wipe
{
    public function __construct(public string $on, public Tick $at)
    {
    }
}
