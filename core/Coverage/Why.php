<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** Why a take is used for a line. */
enum Why: string
{
    /** The presenter said so for this line. */
    case Chosen = 'chosen';

    /** It is the one kept last of those that speak the line. */
    case KeptLast = 'kept-last';

    /** The one kept last does not say it well; this one does. */
    case Cleaner = 'cleaner';

    /** No other kept take speaks the line. */
    case OnlyOne = 'only-one';
}
