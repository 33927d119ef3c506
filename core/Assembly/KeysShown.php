<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Layer;

/** Key caps, or who is seen: shown for a moment from a place among a section's lines on. */
final readonly class KeysShown
{
    /** Long enough to read three caps and look at what they do. */
    public const LENGTH_MS = 2500;

    /**
     * @param  string  $line  id of the line it stands before or in
     * @param  float  $within  part of that line already spoken, 0..1
     */
    public function __construct(
        public string $line,
        public float $within,
        public Layer $caps,
        public int $milliseconds = self::LENGTH_MS,
    ) {
    }
}
