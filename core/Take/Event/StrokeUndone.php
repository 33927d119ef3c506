<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** A stroke was taken back: it is seen until here. */
final readonly class StrokeUndone extends TakeEvent
{
    public function __construct(int $atMs, public int $id)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'take-back', 'id' => $this->id];
    }
}
