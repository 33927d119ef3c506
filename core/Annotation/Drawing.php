<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\TimeMap;

/** Something that was drawn or shown over the stage while a take was recorded. */
interface Drawing
{
    /**
     * Its figures on the frames of a passage, in the order in which they are laid over each other.
     *
     * @param  Span  $seen  in take time
     * @param  float  $aspect  width of the stage's picture, in parts of its height
     * @return list<Annotation>
     */
    public function marks(Span $seen, TimeMap $map, float $aspect): array;

    /** @return array<string, mixed> as it is stored and read again */
    public function toArray(): array;
}
