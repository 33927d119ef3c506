<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Take\AttemptKind;

/** One attempt at a line inside a take. */
final readonly class Attempt
{
    /**
     * @param  int  $line  index of the line among those the take was listened for
     * @param  Span  $span  from its first sound to its last, in the take's voice
     * @param  list<AlignedWord>  $words  those that are said, in order; empty when they were not looked for
     * @param  float  $confidence  0..1: how like the line it sounds
     */
    public function __construct(
        public int $line,
        public AttemptKind $kind,
        public Span $span,
        public array $words,
        public float $confidence,
    ) {
    }
}
