<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** Says in the picture that what is heard is read by the stand-in voice: nobody may take a draft for the film. */
final readonly class DraftMark
{
    private const SAYS = 'Draft voice';

    /** Height, in parts of the frame's shorter side. */
    private const HEIGHT = 0.06;

    private const WIDTHS = 4.2;

    public function __construct(private FrameSize $frame, private HouseStyle $style)
    {
    }

    public function svg(): string
    {
        $size = $this->size();
        [$width, $height] = [$size->width, $size->height];
        $colours = $this->style->colours;

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d"><rect width="%d" height="%d" rx="%d" fill="#%s"/>'.
                '<text x="%d" y="%d" text-anchor="middle" font-family="%s" font-size="%d" fill="#%s">%s</text></svg>',
            $width,
            $height,
            $width,
            $height,
            intdiv($height, 6),
            $colours->ink->hex,
            intdiv($width, 2),
            (int) round($height * 0.68),
            $this->style->faces->text,
            (int) round($height * 0.56),
            $colours->paper->hex,
            self::SAYS,
        );
    }

    /** High in the middle, where neither face nor logo lie. */
    public function layer(): Layer
    {
        $size = $this->size();
        [$width, $height] = [$size->width, $size->height];

        return new Layer(
            Still::drawn(StillKind::DraftMark, $this->svg(), $size),
            new PixelRect(
                PixelRect::even(($this->frame->width - $width) / 2),
                PixelRect::even(Inset::MARGIN * min($this->frame->width, $this->frame->height)),
                $width,
                $height,
            ),
        );
    }

    private function size(): Shape
    {
        $height = PixelRect::even(self::HEIGHT * min($this->frame->width, $this->frame->height));

        return Shape::of(PixelRect::even(self::WIDTHS * $height), $height);
    }
}
