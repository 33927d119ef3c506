<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** What a page of the board looks like before anything is written on it. */
enum BoardPaper: string
{
    case Plain = 'plain';
    case Ruled = 'ruled';
    case Squared = 'squared';
    case Dark = 'dark';
}
