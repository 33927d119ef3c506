<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;

/** What is to be seen from some place in the script on. */
final readonly class ShotStyle
{
    /**
     * @param  Stage|null  $stage  null shows the presenter alone
     * @param  Crop|null  $zoom  part of the stage that fills its place; null for all of it
     * @param  int  $zoomMs  how long the way to that takes
     * @param  int  $moveMs  how long the way to this layout takes; 0 is at once
     * @param  Still|null  $backdrop  lies behind stage and camera; null is the ground alone
     */
    public function __construct(
        public Layout $layout = Layout::SlideWithInset,
        public Inset $inset = new Inset(),
        public ?Stage $stage = null,
        public ?Crop $zoom = null,
        public int $zoomMs = 0,
        public int $moveMs = 0,
        public ?Still $backdrop = null,
    ) {
    }
}
