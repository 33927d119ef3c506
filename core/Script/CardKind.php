<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

enum CardKind: string
{
    case Opening = 'opening';
    case Divider = 'divider';
    case Closing = 'closing';
    /** Its words are somebody's, whom the heading names. */
    case Quotation = 'quotation';
    /** The learner is asked something, and has as long as it stands: seconds are counted down. */
    case Question = 'question';
}
