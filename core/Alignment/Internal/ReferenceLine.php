<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** A line as the reference voice says it, without its pauses. */
final readonly class ReferenceLine
{
    /** @param  list<list<float>>  $frames  of Cepstra::SIZE numbers */
    public function __construct(public array $frames)
    {
    }

    public function length(): int
    {
        return count($this->frames);
    }
}
