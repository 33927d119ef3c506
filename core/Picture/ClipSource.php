<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Kernel\Tick;

/** A short film brought in as a slide; it plays from when it comes on the stage, without sound, and its last picture stays. */
final readonly class ClipSource
{
    /** @param  string  $hash  SHA-256 of its file */
    public function __construct(public string $hash, public Shape $shape, public Tick $length)
    {
    }
}
