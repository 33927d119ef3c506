<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Mark\Mark;

/** Things drawn over what lies below, each for some frames. */
final readonly class Marks implements Source
{
    /** @param  non-empty-list<Mark>  $marks */
    public function __construct(public array $marks)
    {
    }

    public function key(): array
    {
        return ['marks' => array_map(fn (Mark $m): array => $m->toArray(), $this->marks)];
    }

    public function files(): array
    {
        return [];
    }
}
