<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A cue that is written into a script at a place. */
final readonly class PlacedCue
{
    /**
     * @param  int  $section  by index
     * @param  string  $cue  with its brackets
     */
    public function __construct(public int $section, public WordPlace $place, public string $cue)
    {
    }
}
