<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Layer;

/** A layer that is seen on some frames of a passage. */
final readonly class LayerAt
{
    /** @param  int  $until  the frame behind the last */
    public function __construct(public int $from, public int $until, public Layer $layer)
    {
    }

    public function isSeenOn(int $frame): bool
    {
        return $this->from <= $frame && $frame < $this->until;
    }
}
