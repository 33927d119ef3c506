<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Tick;

final readonly class Chapter
{
    public function __construct(public string $title, public Tick $from, public Tick $until)
    {
    }
}
