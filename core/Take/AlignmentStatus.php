<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** Whether it is known which lines a take speaks. */
enum AlignmentStatus: string
{
    case Sure = 'sure';
    /** Listened to, but the words may be others: the prompter's times count. */
    case Unsure = 'unsure';
    /** There is nothing to listen for or to: no lines, or no voice. */
    case Nothing = 'nothing';
    case Failed = 'failed';
}
