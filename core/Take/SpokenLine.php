<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** A line as it stood in the script when a take of it was recorded. */
final readonly class SpokenLine
{
    public function __construct(public string $id, public string $text)
    {
    }
}
