<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

use OpenReel\Core\Annotation\Box;

/** A box is drawn over the stage for a while. */
final readonly class BoxDrawn extends TakeEvent
{
    /** @param  int  $forMs  how long it is seen */
    public function __construct(int $atMs, public Box $box, public int $forMs)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'box', 'for_ms' => $this->forMs] + $this->box->toArray();
    }
}
