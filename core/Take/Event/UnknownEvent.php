<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** Noted by a recorder that knows more than we do, or wrongly: kept as it is. */
final readonly class UnknownEvent extends TakeEvent
{
    /** @param  array<string, mixed>  $data  everything but the time */
    public function __construct(int $atMs, public array $data)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return $this->data;
    }
}
