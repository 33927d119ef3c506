<?php

declare(strict_types=1);

namespace OpenReel\Core\Readiness;

/** A slide, as far as readiness goes. */
final readonly class DeckSlide
{
    /**
     * @param  bool  $isSharp  false when it has too few pixels for the frame
     * @param  int  $steps  in which it builds up; 0 when it does not
     */
    public function __construct(public string $name, public bool $isSharp = true, public int $steps = 0)
    {
    }
}
