<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\Verdict;

/** What coverage needs to know about a take. */
final readonly class TakeState
{
    /**
     * @param  bool  $usable  it was ingested and has a length
     * @param  list<string>  $lines  ids of the lines it speaks, in order; empty when that is not known
     */
    public function __construct(public string $id, public int $number, public Verdict $verdict, public bool $usable, public array $lines = [])
    {
    }

    /** Whether both speak the same lines, so that only one of them can be used. A take whose lines are not known speaks them all. */
    public function competesWith(self $other): bool
    {
        return $this->lines === [] || $other->lines === [] || array_intersect($this->lines, $other->lines) !== [];
    }
}
