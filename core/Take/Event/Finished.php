<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** The take ends. */
final readonly class Finished extends TakeEvent
{
    public function toArray(): array
    {
        return ['kind' => 'finish'];
    }
}
