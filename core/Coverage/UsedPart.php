<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Kernel\Span;

/** A stretch of a take that goes into the film without a cut. */
final readonly class UsedPart
{
    /**
     * @param  list<string>  $lines  ids of the lines it speaks for its section, in order
     * @param  list<string>  $goesOn  of those that an earlier part of the same take speaks, the ones that go on in this one
     */
    public function __construct(public string $take, public Span $span, public array $lines, public array $goesOn = [])
    {
    }
}
