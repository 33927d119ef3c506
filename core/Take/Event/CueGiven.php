<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

/** The presenter changed what is seen while recording: a cue that the script does not hold yet. */
final readonly class CueGiven extends TakeEvent
{
    /** @param  string  $cue  with its brackets, as it is written in a script */
    public function __construct(int $atMs, public string $cue)
    {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return ['kind' => 'cue', 'cue' => $this->cue];
    }
}
