<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** A section begins here: a chapter of the film. */
final readonly class ChapterMark
{
    /** @param  int  $offset  frames of the segment before it */
    public function __construct(public string $title, public int $offset)
    {
    }
}
