<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** Everything that stood on a surface was wiped off it. */
final readonly class BoardErased extends TakeEvent
{
    public function __construct(int $atMs, public string $on)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'wipe', 'on' => $this->on];
    }
}
