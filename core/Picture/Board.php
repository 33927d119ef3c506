<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Blank pages as drawings, in the colours of the house style. */
final class Board
{
    /** Between two rules or squares, in parts of the frame's height. */
    private const RULE = 1 / 16;

    /** How much of the ink's colour a rule has. */
    private const FAINT = 0.16;

    /**
     * @param  Colour  $paper  of the light pages
     * @param  Colour  $dark  of the dark page
     * @param  Colour  $ink  of the rules
     * @return string an SVG drawing of the frame's size
     */
    public static function svg(BoardPaper $kind, FrameSize $frame, Colour $paper, Colour $dark, Colour $ink): string
    {
        $ground = $kind === BoardPaper::Dark ? $dark : $paper;
        $step = self::RULE * $frame->height;
        $lines = '';
        if ($kind === BoardPaper::Ruled || $kind === BoardPaper::Squared) {
            for ($y = $step; $y < $frame->height; $y += $step) {
                $lines .= sprintf('M0 %1$.2FH%2$d', $y, $frame->width);
            }
        }
        if ($kind === BoardPaper::Squared) {
            for ($x = $step; $x < $frame->width; $x += $step) {
                $lines .= sprintf('M%1$.2F 0V%2$d', $x, $frame->height);
            }
        }
        $width = max(1, (int) round($frame->height / 540));

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$frame->width}\" height=\"{$frame->height}\">"
            ."<rect width=\"100%\" height=\"100%\" fill=\"#{$ground->hex}\"/>"
            .($lines === '' ? '' : "<path d=\"{$lines}\" stroke=\"#{$ink->hex}\" stroke-opacity=\"".self::FAINT
                ."\" stroke-width=\"{$width}\"/>")
            .'</svg>';
    }
}
