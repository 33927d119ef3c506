<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Stage;

/** What is to be seen from some place in the script on. */
final readonly class PictureChoice
{
    /** @param  Stage|null  $stage  null shows the presenter alone */
    public function __construct(
        public Layout $layout = Layout::SlideWithInset,
        public Inset $inset = new Inset(),
        public ?Stage $stage = null,
    ) {
    }
}
