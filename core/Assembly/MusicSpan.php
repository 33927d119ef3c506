<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Sound\MusicTrack;

/** Music, or a small sound, from one frame of the film to another. */
final readonly class MusicSpan
{
    /**
     * @param  int  $from  first frame
     * @param  int  $until  the frame behind the last
     * @param  float  $level  dB over what is usual
     * @param  int  $fadeIn  frames until it is there
     * @param  int  $fadeOut  frames at its end in which it goes
     * @param  bool  $ducks  it steps back while somebody speaks
     */
    public function __construct(
        public MusicTrack $bed,
        public int $from,
        public int $until,
        public float $level = 0.0,
        public int $fadeIn = 0,
        public int $fadeOut = 0,
        public bool $loops = true,
        public bool $ducks = true,
    ) {
    }
}
