<?php

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\PicturePlan;

/** One section's place in the lesson, in whole frames, and what it shows. */
final readonly class Segment
{
    /**
     * @param  int  $position  counted from 1 among all sections, also those without a kept take
     * @param  int  $startFrame  frames before this segment
     * @param  int  $frames  at least 1
     */
    public function __construct(
        public string $sectionId,
        public int $position,
        public string $title,
        public int $startFrame,
        public int $frames,
        public TakeSource $take,
        public ?SlideSource $slide,
        public PicturePlan $picture,
    ) {
    }
}
