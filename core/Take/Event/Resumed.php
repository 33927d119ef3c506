<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** Recording goes on. */
final readonly class Resumed extends TakeEvent
{
    public function toArray(): array
    {
        return ['kind' => 'resume'];
    }
}
