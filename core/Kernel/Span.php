<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** A stretch of time, from its first tick until just before its last: half open, never empty. */
final readonly class Span
{
    private function __construct(public Tick $from, public Tick $until)
    {
    }

    /** @throws TimeError when the end does not come after the start */
    public static function between(Tick $from, Tick $until): self
    {
        return $from->isBefore($until)
            ? new self($from, $until)
            : throw TimeError::endsBeforeItStarts($from->count, $until->count);
    }

    public function length(): Tick
    {
        return $this->until->minusOrZero($this->from);
    }

    public function later(Tick $by): self
    {
        return new self($this->from->plus($by), $this->until->plus($by));
    }

    /** Longer at both ends, cut off at zero and at the limit. */
    public function padded(Tick $before, Tick $after, Tick $limit): self
    {
        return self::between($this->from->minusOrZero($before), Tick::earlier($this->until->plus($after), $limit));
    }
}
