<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** @internal of TakeChoice: how a line is come to when one of the takes is heard for it */
final readonly class ChoiceStep
{
    /**
     * @param  float  $cost  of all lines up to it
     * @param  string|null  $before  id of the take that is heard for the line before; null at the first
     */
    public function __construct(public float $cost, public ?string $before)
    {
    }
}
