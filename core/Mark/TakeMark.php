<?php

declare(strict_types=1);

namespace OpenReel\Core\Mark;

use OpenReel\Core\Time\Span;

/** Something drawn over the stage while a take was recorded, and when, in take time. */
final readonly class TakeMark
{
    public function __construct(public Box $box, public Span $seen)
    {
    }
}
