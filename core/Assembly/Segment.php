<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** One take's or card's place in the lesson, in whole frames, and what is seen meanwhile. */
final readonly class Segment
{
    /**
     * @param  int  $position  the section's, counted from 1 among all sections, also those without a kept take
     * @param  int  $startFrame  frames before this segment
     * @param  int  $frames  at least 1
     * @param  TakeSource|null  $take  null for a card
     * @param  non-empty-list<Shot>  $shots  without gaps, together as long as the segment
     * @param  list<ChapterMark>  $chapters  the sections that begin in it, in order; none in the further takes of a section
     */
    public function __construct(
        public string $sectionId,
        public int $position,
        public string $title,
        public int $startFrame,
        public int $frames,
        public ?TakeSource $take,
        public array $shots,
        public array $chapters,
    ) {
    }
}
