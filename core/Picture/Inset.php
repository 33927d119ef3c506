<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Where the small camera picture lies over the slide, and what it looks like. */
final readonly class Inset
{
    /** Kept free between inset and frame edge: within the 3.5 % of EBU R95's action-safe area, of the shorter side. */
    public const MARGIN = 0.04;

    /** Taller or wider cameras are cropped to these shapes, so that an inset never becomes a strip. */
    private const NARROWEST = 3 / 4;

    private const WIDEST = 16 / 9;

    public function __construct(
        public Corner $corner = Corner::BottomRight,
        public InsetSize $size = InsetSize::Medium,
        public InsetShape $shape = InsetShape::Rectangle,
        public InsetBorder $border = new InsetBorder(),
        public ?InsetPlace $place = null,
        public bool $hasShadow = false,
    ) {
    }

    /**
     * The inset has the camera's shape within limits, and about the same area whatever that shape; a circle is cut from a
     * square.
     */
    public function rect(FrameSize $frame, Shape $camera): PixelRect
    {
        $aspect = $this->shape === InsetShape::Circle ? 1.0 : min(self::WIDEST, max(self::NARROWEST, $camera->aspect()));
        if ($this->place !== null) {
            return $this->place->rect($frame, $aspect);
        }
        $area = $frame->width * $frame->height * $this->size->part() ** 2;
        $margin = PixelRect::even(self::MARGIN * min($frame->width, $frame->height));
        $width = min(PixelRect::even(sqrt($area * $aspect)), $frame->width - 2 * $margin);
        $height = min(PixelRect::even($width / $aspect), $frame->height - 2 * $margin);

        return $this->corner->place($width, $height, $margin, $frame);
    }
}
