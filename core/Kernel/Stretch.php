<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** Some frames of the film, and how the take goes on meanwhile. */
final readonly class Stretch
{
    /**
     * @param  int  $frames  at least 1
     * @param  Tick  $in  moment of the take that the first of them shows
     * @param  int  $step  ticks of the take from one frame to the next: those of a frame at its own pace, 0 while a picture
     *                     is held, twice as many at double speed
     */
    public function __construct(public int $frames, public Tick $in, public int $step)
    {
    }
}
