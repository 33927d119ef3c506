<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

enum AttemptKind: string
{
    case Complete = 'complete';
    /** Broken off, and said again or left. */
    case FalseStart = 'false start';
    /** Broken off by the end of the take. */
    case Partial = 'partial';
}
