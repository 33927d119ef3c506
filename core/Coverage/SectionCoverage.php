<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Kernel\Tick;

/** How a section is spoken: what is used for it, in the order of the film. */
final readonly class SectionCoverage
{
    /**
     * @param  list<UsedPart>  $parts  none when it is not heard
     * @param  list<string>  $missing  ids of its lines that nobody speaks
     * @param  bool  $isElsewhere  it is heard, and only in takes that were recorded for other sections
     */
    public function __construct(public array $parts, public array $missing, public bool $isElsewhere)
    {
    }

    public function isHeard(): bool
    {
        return $this->parts !== [];
    }

    /** How long it is heard. */
    public function length(): Tick
    {
        return Tick::of(array_sum(array_map(fn (UsedPart $p): int => $p->span->length()->count, $this->parts)));
    }
}
