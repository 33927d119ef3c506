<?php

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Take\Verdict;

/** What coverage needs to know about a take. */
final readonly class TakeState
{
    /** @param  bool  $usable  it was ingested and has a length */
    public function __construct(public string $id, public int $number, public Verdict $verdict, public bool $usable)
    {
    }
}
