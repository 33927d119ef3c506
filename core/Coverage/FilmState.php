<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** How the newest film of a lesson stands to what the lesson says now. */
enum FilmState: string
{
    case None = 'none';

    case Making = 'making';

    case OutOfDate = 'out of date';

    case UpToDate = 'up to date';
}
