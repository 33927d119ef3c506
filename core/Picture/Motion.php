<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A move from one place to the layer's own, or from one part of its picture to another, from a shot's first frame on. */
final readonly class Motion
{
    /**
     * @param  int  $frames  until it is there, at least 1
     * @param  Crop|null  $part  of its picture that is shown at first, of all of it; null when that stays the same
     */
    public function __construct(
        public PixelRect $from,
        public int $frames,
        public Ease $ease = Ease::Soft,
        public ?Crop $part = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'from' => $this->from->toArray(), 'frames' => $this->frames, 'ease' => $this->ease->value,
            'part' => $this->part?->toArray(),
        ];
    }
}
