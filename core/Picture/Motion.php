<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A move from one place to the layer's own, from a shot's first frame on. */
final readonly class Motion
{
    /** @param  int  $frames  until it is there, at least 1 */
    public function __construct(public PixelRect $from, public int $frames, public Ease $ease = Ease::Soft)
    {
    }

    /** @return array{from: array{x: int, y: int, width: int, height: int}, frames: int, ease: string} */
    public function toArray(): array
    {
        return ['from' => $this->from->toArray(), 'frames' => $this->frames, 'ease' => $this->ease->value];
    }
}
