<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Which part of the stage fills its place in a shot, and from which part it comes there. */
final readonly class Zoom
{
    /**
     * @param  Crop|null  $part  of the stage's picture; null for all of it
     * @param  int  $frames  until that part fills its place; 0 when it does from the first frame on
     * @param  Crop|null  $from  the part at first; null for all of it
     */
    public function __construct(public ?Crop $part = null, public int $frames = 0, public ?Crop $from = null)
    {
    }

    /** The stage, or what is drawn over it, so that this part of it fills its place. */
    public function layer(Source $source, PixelRect $rect, ?Crop $area): Layer
    {
        $within = fn (?Crop $part): ?Crop => $area === null || $part === null ? $part ?? $area : $area->part($part);

        return new Layer(
            $source,
            $rect,
            crop: $within($this->part),
            motion: $this->frames === 0
                ? null
                : new Motion($rect, $this->frames, Ease::Soft, $within($this->from) ?? Crop::whole()),
        );
    }
}
