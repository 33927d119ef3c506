<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\TakeView;

/** @internal of Coverage: lines that a take says one after the other, as the section has them */
final readonly class TakeRun
{
    /** @param  non-empty-list<string>  $lines  ids */
    public function __construct(public TakeView $take, public array $lines)
    {
    }

    public function last(): string
    {
        return $this->lines[count($this->lines) - 1];
    }
}
