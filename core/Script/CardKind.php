<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

enum CardKind: string
{
    case Opening = 'opening';
    case Divider = 'divider';
    case Closing = 'closing';
}
