<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** What the main picture is, beside or behind the presenter. */
enum StageKind: string
{
    case Slide = 'slide';
    case Screen = 'screen';
    case Board = 'board';
}
