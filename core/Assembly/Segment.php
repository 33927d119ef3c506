<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Picture\Transition;

/** One passage's or card's place in the lesson, in whole frames, and what is seen meanwhile. */
final readonly class Segment
{
    /**
     * @param  int  $position  the section's, counted from 1 among all sections, also those that are not heard
     * @param  int  $startFrame  frame of the film that is its first; the last ones of the segment before may overlap it
     * @param  int  $frames  at least 1
     * @param  Passage|null  $passage  null for a card
     * @param  TimeMap|null  $map  which moment of the take each frame shows; null for a card
     * @param  non-empty-list<Shot>  $shots  without gaps, together as long as the segment
     * @param  Transition  $join  how it meets the segment before it
     * @param  bool  $opens  its section begins with it
     */
    public function __construct(
        public string $sectionId,
        public int $position,
        public string $title,
        public int $startFrame,
        public int $frames,
        public ?Passage $passage,
        public ?TimeMap $map,
        public array $shots,
        public Transition $join,
        public bool $opens,
    ) {
    }

    public function endFrame(): int
    {
        return $this->startFrame + $this->frames;
    }
}
