<?php

namespace OpenReel\Core\Script;

enum CardKind: string
{
    case Opening = 'opening';
    case Divider = 'divider';
    case Closing = 'closing';
}
