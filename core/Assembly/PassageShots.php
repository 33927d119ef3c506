<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** What is seen in a passage, and what its end leaves to the next one. */
final readonly class PassageShots
{
    /**
     * @param  non-empty-list<Shot>  $shots
     * @param  ShotStyle  $last  what is seen behind it
     * @param  int  $staged  frames for which the stage has been seen then
     */
    public function __construct(public array $shots, public ShotStyle $last, public int $staged)
    {
    }
}
