<?php

declare(strict_types=1);

namespace OpenReel\Core\Mark;

/** Something drawn over a picture for some frames of a shot. */
final readonly class Mark
{
    /**
     * @param  int  $from  first frame, counted in the shot
     * @param  int  $until  the frame behind the last
     */
    public function __construct(public Box $box, public int $from, public int $until)
    {
    }

    /** @return array{from: int, until: int, x: float, y: float, width: float, height: float, colour: string} */
    public function toArray(): array
    {
        return ['from' => $this->from, 'until' => $this->until] + $this->box->toArray();
    }
}
