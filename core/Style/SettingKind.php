<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

/** How a setting of a course style is chosen. */
enum SettingKind: string
{
    case Choice = 'choice';
    case Colour = 'colour';
    case Text = 'text';
    case Id = 'id';
}
