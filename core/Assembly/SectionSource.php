<?php

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;

/** A section as the assembly sees it: with the take that is used, if there is one. */
final readonly class SectionSource
{
    public function __construct(
        public string $id,
        public string $heading,
        public Layout $layout,
        public Inset $inset,
        public ?SlideSource $slide,
        public ?TakeSource $take,
    ) {
    }
}
