<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** A section as the assembly sees it: with the takes that are used, if there are any. */
final readonly class SectionSource
{
    /**
     * @param  PictureChoice  $opening  what is seen when the section begins
     * @param  list<TakeSource>  $takes  in the order in which they are heard; more than one where sections were merged
     * @param  list<PictureChange>  $changes  in order
     * @param  bool  $isSpokenElsewhere  its lines are in the take of another section, from which it was split off
     */
    public function __construct(
        public string $id,
        public string $heading,
        public PictureChoice $opening,
        public array $takes = [],
        public array $changes = [],
        public ?CardSource $card = null,
        public bool $isSpokenElsewhere = false,
    ) {
    }
}
