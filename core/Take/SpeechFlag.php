<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** Something to look at in what a take says. */
enum SpeechFlag: string
{
    case LinesMissing = 'lines-missing';
    case CutOffStart = 'cut-off-start';
    case CutOffEnd = 'cut-off-end';
    case Unscripted = 'unscripted';
    case TooFast = 'too-fast';
    case TooSlow = 'too-slow';
    case LongPause = 'long-pause';
}
