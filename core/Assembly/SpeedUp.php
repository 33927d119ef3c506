<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Span;

/** A silence inside a passage that is gone through faster, or left out. */
final readonly class SpeedUp
{
    /**
     * @param  Span  $span  of the take
     * @param  int|null  $times  so many times as fast; null leaves it out
     */
    public function __construct(public Span $span, public ?int $times)
    {
    }
}
