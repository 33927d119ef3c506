<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\Tick;

/** A text that is seen for a while, as files of timed text have it. */
final readonly class TimedCue
{
    /** @param  string  $text  rows parted by line breaks */
    public function __construct(public string $text, public Tick $from, public Tick $until)
    {
    }
}
