<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Still;

/** A section that nobody speaks: a still picture that stands for a while, or one that counts down. */
final readonly class CardSource
{
    /** @param  list<Still>  $counting  what is seen instead in each second; none where nothing is counted */
    public function __construct(public Still $picture, public Tick $length, public array $counting = [])
    {
    }
}
