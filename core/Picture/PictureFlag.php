<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Something to look at in the picture of a take. */
enum PictureFlag: string
{
    case Black = 'camera-black';
    case Frozen = 'camera-frozen';
}
