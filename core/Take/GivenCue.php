<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** A cue that was given while a take was recorded, at its place in the words. */
final readonly class GivenCue
{
    /**
     * @param  string  $line  id
     * @param  float  $within  part of that line that is spoken before, 0..1
     * @param  string  $cue  with its brackets
     */
    public function __construct(public string $line, public float $within, public string $cue)
    {
    }

    /** @return array<string, string|float> as it is stored with the take */
    public function toArray(): array
    {
        return ['line' => $this->line, 'within' => $this->within, 'cue' => $this->cue];
    }
}
