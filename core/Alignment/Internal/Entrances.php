<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** At what cost tokens can come into lines, and from where. */
final class Entrances
{
    /** @var array<int, float> by line */
    public array $cost = [];

    /** @var array<int, int> the last hit before, as of Trail, by line */
    public array $hit = [];

    /** @param  float  $limit  what costs as much is given up */
    public function __construct(private readonly float $limit)
    {
    }

    public function offer(int $line, float $cost, int $hit): void
    {
        if ($cost < $this->limit && $cost < ($this->cost[$line] ?? LineTokens::NEVER)) {
            $this->cost[$line] = $cost;
            $this->hit[$line] = $hit;
        }
    }
}
