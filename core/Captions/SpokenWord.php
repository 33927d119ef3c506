<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Time\Tick;

/** A word as it is written, and when in the film it is said. */
final readonly class SpokenWord
{
    public function __construct(public string $text, public Tick $from, public Tick $until)
    {
    }
}
