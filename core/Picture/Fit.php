<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How a picture of another shape is put into a rectangle. */
enum Fit: string
{
    /** All of it is seen: the rectangle has its shape. */
    case Whole = 'whole';

    /** The rectangle is filled; what sticks out is cropped evenly. */
    case Filled = 'filled';
}
