<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Still;
use OpenReel\Core\Time\Tick;

/** A section that nobody speaks: a still picture that stands for a while. */
final readonly class CardSource
{
    public function __construct(public Still $picture, public Tick $length)
    {
    }
}
