<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** Recording rests; nothing is recorded until it goes on. */
final readonly class Paused extends TakeEvent
{
    public function toArray(): array
    {
        return ['kind' => 'pause'];
    }
}
