<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

use OpenReel\Core\Take\TrackKind;

/** The recorder of one track began. */
final readonly class TrackStarted extends TakeEvent
{
    public function __construct(int $atMs, public TrackKind $track)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'start', 'track' => $this->track->value];
    }
}
