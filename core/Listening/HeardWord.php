<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

use OpenReel\Core\Time\Span;

/** A word of a line and when it is said. */
final readonly class HeardWord
{
    public function __construct(public string $word, public Span $span)
    {
    }
}
