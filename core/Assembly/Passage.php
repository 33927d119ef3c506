<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Take\Take;
use OpenReel\Core\Time\Span;

/** A stretch of one take used without a cut. */
final readonly class Passage
{
    /**
     * @param  list<string>  $lines  ids of the lines it speaks for its section, in order
     * @param  list<Quickened>  $quick  silences in it that run faster or are left out, in order
     */
    public function __construct(public Take $take, public Span $span, public array $lines = [], public array $quick = [])
    {
    }

    /** @return list<string> ids of the lines it speaks; where nobody heard what is said, of those that the prompter showed */
    public function spoken(): array
    {
        return $this->lines !== [] ? $this->lines : array_map(strval(...), array_keys($this->take->lines));
    }

    /** Whether this goes on in the take where the other one ends. */
    public function continues(self $before): bool
    {
        return $this->take->id === $before->take->id && $this->span->from->count === $before->span->until->count;
    }
}
