<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** What a pass found, and in what it looked. */
final readonly class PassResult
{
    /** @param  array<int, ReferenceLine>  $lines  by number */
    public function __construct(public SearchResult $found, public array $lines, public Reference $reference)
    {
    }
}
