<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\Tick;

/** A word as it is written, and when in the film it is said. */
final readonly class TimedWord
{
    /**
     * @param  string  $line  id of the line it stands in
     * @param  int  $number  of the word in that line, counted from 0
     */
    public function __construct(
        public string $text,
        public Tick $from,
        public Tick $until,
        public string $line = '',
        public int $number = 0,
    ) {
    }
}
