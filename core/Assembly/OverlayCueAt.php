<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Layer;

/** Key caps, or who is seen: laid over the whole picture for a while, from a place among a section's lines on. */
final readonly class OverlayCueAt
{
    /**
     * @param  string  $line  id of the line it stands before or in
     * @param  float  $within  part of that line already spoken, 0..1
     */
    public function __construct(
        public string $line,
        public float $within,
        public Layer $layer,
        public int $milliseconds,
    ) {
    }
}
