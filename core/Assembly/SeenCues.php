<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** What the cues of a section let one see. */
final readonly class SeenCues
{
    /**
     * @param  ShotStyle  $opening  what is seen when the section begins
     * @param  list<PictureCueAt>  $changes  what changes then, in order
     */
    public function __construct(public ShotStyle $opening, public array $changes)
    {
    }
}
