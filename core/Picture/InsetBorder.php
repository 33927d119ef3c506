<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** The line round the inset. */
final readonly class InsetBorder
{
    /** In thousandths of the frame's shorter side, so that it looks the same at every export size. */
    public const WIDTHS = ['none' => 0.0, 'thin' => 3.0, 'thick' => 8.0];

    /**
     * @param  string  $width  a key of WIDTHS
     * @param  string  $colour  RRGGBB
     */
    public function __construct(public string $width = 'none', public string $colour = 'FFFFFF')
    {
    }

    /** Whole pixels in a frame; a border is never thinner than two. */
    public function pixels(FrameSize $frame): int
    {
        $part = self::WIDTHS[$this->width] ?? 0.0;

        return $part === 0.0 ? 0 : max(2, (int) round($part / 1000 * min($frame->width, $frame->height)));
    }
}
