<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Sound\MusicTrack;

/** A cue at which music begins or ends. */
final readonly class MusicCueAt
{
    /**
     * @param  array{int, float}  $place  line of its section, by index, and the part of it already spoken
     * @param  MusicTrack|null  $bed  null when the music ends, or when there is none of that name
     */
    public function __construct(public array $place, public MusicCue $cue, public ?MusicTrack $bed)
    {
    }
}
