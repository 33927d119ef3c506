<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Emphasis;

/** Something that is laid over the stage on some frames of a passage. */
final readonly class EmphasisAt
{
    /** @param  int  $until  the frame behind the last */
    public function __construct(public int $from, public int $until, public Emphasis|Overlay $what)
    {
    }

    public function isSeenOn(int $frame): bool
    {
        return $this->from <= $frame && $frame < $this->until;
    }
}
