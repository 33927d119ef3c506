<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Take\TakeView;

/** A stretch of one take used without a cut. */
final readonly class Passage
{
    /**
     * @param  list<string>  $lines  ids of the lines it speaks for its section, in order
     * @param  list<SpeedUp>  $quick  silences in it that run faster or are left out, in order
     * @param  list<string>  $goesOn  ids of lines that began in an earlier passage, before something was cut out of them
     */
    public function __construct(
        public TakeView $take,
        public Span $span,
        public array $lines = [],
        public array $quick = [],
        public array $goesOn = [],
    ) {
    }

    /** @return list<string> ids of the lines of which something is heard in it, in order */
    public function heard(): array
    {
        return [...$this->goesOn, ...$this->spoken()];
    }

    /** @return list<string> ids of the lines it speaks; where nobody heard what is said, of those that the prompter showed */
    public function spoken(): array
    {
        return $this->lines !== [] || $this->goesOn !== []
            ? $this->lines
            : array_map(strval(...), array_keys($this->take->timings->starts));
    }

    /** Whether this goes on in the take where the other one ends. */
    public function continues(self $before): bool
    {
        return $this->take->id === $before->take->id && $this->span->from->count === $before->span->until->count;
    }
}
