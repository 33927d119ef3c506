<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Sound\MusicTrack;

/** A cue at which music begins or ends. */
final readonly class MusicCueAt
{
    /** @param  MusicTrack|null  $bed  null when the music ends, or when there is none of that name */
    public function __construct(public WordPlace $place, public MusicCue $cue, public ?MusicTrack $bed)
    {
    }
}
