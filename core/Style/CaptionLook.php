<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\PixelRect;

/** How captions look that are part of the picture: in pixels of the frame. */
final readonly class CaptionLook
{
    /** Of the ground behind them. */
    public const GROUND_OPACITY = 0.82;

    /** Size of the letters, in parts of the frame's height; upright frames are narrow, so there it is parts of the width. */
    private const SIZES = ['medium' => 0.055, 'large' => 0.07];

    /** 42 letters have to fit beside each other. */
    private const OF_WIDTH = 0.04;

    /** Height of a row in the typefaces that ship, in parts of the letters' size (their OS/2 tables): libass counts in it. */
    private const ROWS = ['Atkinson Hyperlegible' => 1.24, 'Source Serif 4' => 1.333];

    /**
     * @param  int  $size  height of a row
     * @param  float  $letters  size of the letters, as CSS counts it
     */
    private function __construct(
        public int $size,
        public float $letters,
        public bool $hasBox,
        public int $padding,
        public int $outline,
        public int $margin,
        public int $bottom,
    ) {
    }

    public static function of(HouseStyle $style, FrameSize $frame): self
    {
        $size = PixelRect::even(min(self::SIZES[$style->captionSize] * $frame->height, self::OF_WIDTH * $frame->width));

        return new self(
            $size,
            round($size / (self::ROWS[$style->faces->text] ?? 1.25), 2),
            $style->captionLook === 'box',
            PixelRect::even(0.18 * $size),
            max(1, (int) round(0.07 * $size)),
            PixelRect::even(0.05 * $frame->width),
            PixelRect::even(0.06 * $frame->height),
        );
    }
}
