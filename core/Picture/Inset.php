<?php

namespace OpenReel\Core\Picture;

/** Where the small camera picture lies over the slide. */
final readonly class Inset
{
    /** Kept free between inset and frame edge: within the 3.5 % of EBU R95's action-safe area, of the shorter side. */
    private const MARGIN = 0.04;

    /** Taller or wider cameras are cropped to these shapes, so that an inset never becomes a strip. */
    private const NARROWEST = 3 / 4;

    private const WIDEST = 16 / 9;

    public function __construct(public Corner $corner = Corner::BottomRight, public InsetSize $size = InsetSize::Medium)
    {
    }

    /** The inset has the camera's shape within limits, and about the same area whatever that shape. */
    public function rect(FrameSize $frame, Shape $camera): PixelRect
    {
        $aspect = min(self::WIDEST, max(self::NARROWEST, $camera->aspect()));
        $area = $frame->width * $frame->height * $this->size->part() ** 2;
        $margin = PixelRect::even(self::MARGIN * min($frame->width, $frame->height));
        $width = min(PixelRect::even(sqrt($area * $aspect)), $frame->width - 2 * $margin);
        $height = min(PixelRect::even($width / $aspect), $frame->height - 2 * $margin);

        return new PixelRect(
            $this->corner->isLeft() ? $margin : $frame->width - $margin - $width,
            $this->corner->isTop() ? $margin : $frame->height - $margin - $height,
            $width,
            $height,
        );
    }
}
