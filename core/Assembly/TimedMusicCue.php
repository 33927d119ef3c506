<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** @internal of MusicPlan: a music cue and the frame of the film on which it takes effect */
final readonly class TimedMusicCue
{
    public function __construct(public int $frame, public MusicCueAt $cued)
    {
    }
}
