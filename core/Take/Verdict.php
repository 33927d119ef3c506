<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** What the presenter decided about a take. */
enum Verdict: string
{
    case Undecided = 'undecided';
    case Kept = 'kept';
    case Discarded = 'discarded';
}
