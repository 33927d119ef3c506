<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Span;

/** A word of a line and when it is said. */
final readonly class AlignedWord
{
    public function __construct(public string $word, public Span $span)
    {
    }
}
