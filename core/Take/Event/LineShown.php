<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** The prompter shows a line as current. */
final readonly class LineShown extends TakeEvent
{
    /** @param  int  $line  counted from 1 */
    public function __construct(int $atMs, public int $line)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'line', 'line' => $this->line];
    }
}
