<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** A place to come back to. */
final readonly class MarkerDropped extends TakeEvent
{
    public function toArray(): array
    {
        return ['kind' => 'marker'];
    }
}
