<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** The presenter went on to a cue inside a line. */
final readonly class StepReached extends TakeEvent
{
    /**
     * @param  int  $line  counted from 1
     * @param  float  $within  place of the cue in it, from 0 to 1, as the script had it then
     */
    public function __construct(int $atMs, public int $line, public float $within)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'step', 'line' => $this->line, 'within' => $this->within];
    }
}
