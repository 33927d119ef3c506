<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** A line was fluffed and is said again, from its start: what was said of it before is not used. */
final readonly class LineRestarted extends TakeEvent
{
    /** @param  int  $line  counted from 1 */
    public function __construct(int $atMs, public int $line)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'again', 'line' => $this->line];
    }
}
