<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/**
 * Something that happened while recording, in milliseconds of wall time since the recorder started. One class a kind; what
 * kinds there are, and how they are written, is said in docs/formats.md.
 */
abstract readonly class TakeEvent
{
    public function __construct(public int $atMs)
    {
    }

    /** @return array<string, mixed> as it stands in the log, the time aside */
    abstract public function toArray(): array;
}
