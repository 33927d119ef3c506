<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/**
 * What a mark looks like while it is seen. Lengths that are not parts of the picture are in units of which the picture's height
 * has UNITS, so that round things stay round in a picture of any shape.
 */
interface Figure
{
    public const UNITS = 10_000;

    /**
     * The same for a part of the time it is seen.
     *
     * @param  float  $from  0..1
     * @param  float  $until  0..1
     */
    public function part(float $from, float $until): self;

    /** @return array<string, mixed> everything that decides what is seen */
    public function toArray(): array;
}
