<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\TimeMap;

/** A part of a section as it comes into the film: a passage, or a card. */
final readonly class SeenPassage
{
    /**
     * @param  non-empty-list<Shot>  $shots
     * @param  Passage|null  $passage  null for a card
     * @param  TimeMap|null  $map  of the passage
     */
    public function __construct(public array $shots, public ?Passage $passage = null, public ?TimeMap $map = null)
    {
    }

    public function frames(): int
    {
        return array_sum(array_map(fn (Shot $s): int => $s->frames, $this->shots));
    }
}
