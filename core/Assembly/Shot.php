<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Picture;

/** A stretch of a segment in which the same things are seen in the same places. */
final readonly class Shot
{
    /**
     * @param  int  $offset  frames of the segment before it
     * @param  int  $frames  at least 1
     */
    public function __construct(public int $offset, public int $frames, public Picture $picture)
    {
    }
}
