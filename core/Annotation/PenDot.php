<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** @internal what a round pen touches, in Figure::UNITS */
final readonly class PenDot
{
    public function __construct(public int $x, public int $y, public int $radius)
    {
    }
}
