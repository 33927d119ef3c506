<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\Tick;

/** A file that is joined to others. */
final readonly class ConcatFile
{
    /** @param  Tick  $length  told by us, so that rounding inside files never adds up over the lesson */
    public function __construct(public string $path, public Tick $length)
    {
    }
}
