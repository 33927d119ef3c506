<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;

/** One attempt at a line inside a take, in take time. */
final readonly class LineAttempt
{
    /**
     * @param  string  $line  its id
     * @param  float  $confidence  0..1: how like the line it sounds
     */
    public function __construct(public string $line, public AttemptKind $kind, public Span $span, public float $confidence)
    {
    }
}
