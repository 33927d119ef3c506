<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Mark\Box;
use OpenReel\Core\Mark\Mark;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Marks;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Time\FrameRate;

/**
 * Marks as a subtitle script (Advanced SubStation Alpha, as libass draws it), one event a mark. The browser draws the same
 * values as SVG (`resources/js/ui/MarkDrawing.tsx`).
 */
final class MarkScript
{
    /** libass draws in eighths of a pixel (`\p4`). */
    private const FINE = 8;

    /**
     * @param  PixelRect  $rect  the picture that the marks belong to, in the frame
     * @param  int  $skip  frames that are left out before the first
     */
    public static function of(Marks $marks, PixelRect $rect, FrameSize $frame, FrameRate $rate, int $skip = 0): string
    {
        $events = '';
        foreach ($marks->marks as $mark) {
            if ($mark->until > $skip) {
                $events .= self::event($mark, $rect, $rate, $skip);
            }
        }

        return "[Script Info]\nScriptType: v4.00+\nPlayResX: {$frame->width}\nPlayResY: "
            ."{$frame->height}\nScaledBorderAndShadow: yes\nYCbCr Matrix: None\n\n".
            "[V4+ Styles]\nFormat: Name, Fontname, Fontsize, PrimaryColour, OutlineColour, BackColour, BorderStyle, Outline, "
                ."Shadow, Alignment, MarginL, MarginR, MarginV\n".
            "Style: Mark,Sans,20,&H00FFFFFF,&H00000000,&H00000000,1,0,0,7,0,0,0\n\n".
            "[Events]\nFormat: Layer, Start, End, Style, Text\n{$events}";
    }

    private static function event(Mark $mark, PixelRect $rect, FrameRate $rate, int $skip): string
    {
        return sprintf(
            "Dialogue: 0,%s,%s,Mark,{\\an7\\pos(0,0)\\bord0\\shad0\\1c&H%s&\\p4}%s\n",
            self::time($mark->from - $skip, $rate),
            self::time($mark->until - $skip, $rate),
            self::colour($mark->box->colour),
            self::box($mark->box, $rect),
        );
    }

    /** Half a frame before the frame it means: hundredths of a second are too coarse to name frames. */
    private static function time(int $frame, FrameRate $rate): string
    {
        $hundredths = max(0, (int) round((100 * ($frame - 0.5)) / $rate->fps));

        return sprintf(
            '%d:%02d:%02d.%02d',
            intdiv($hundredths, 360_000),
            intdiv($hundredths, 6000) % 60,
            intdiv($hundredths, 100) % 60,
            $hundredths % 100,
        );
    }

    /** The line lies inside the box: a rectangle with a hole, which winds the other way. */
    private static function box(Box $box, PixelRect $rect): string
    {
        $width = max(2.0, Box::WIDTH * min($rect->width, $rect->height));
        $left = $rect->x + $box->x * $rect->width;
        $top = $rect->y + $box->y * $rect->height;
        $right = $left + $box->width * $rect->width;
        $bottom = $top + $box->height * $rect->height;
        $inner = min($width, ($right - $left) / 2, ($bottom - $top) / 2);
        $at = fn (float $x, float $y): string => (int) round(self::FINE * $x).' '.(int) round(self::FINE * $y);

        return "m {$at($left, $top)} l {$at($right, $top)} {$at($right, $bottom)} {$at($left, $bottom)} ".
            "m {$at($left + $inner, $top + $inner)} l {$at($left + $inner, $bottom - $inner)} {$at(
                $right - $inner,
                $bottom - $inner,
            )} {$at($right - $inner, $top + $inner)}";
    }

    /** Blue, green, red; and so that it comes out right although libass's colours are made into those of BT.601 there. */
    private static function colour(string $hex): string
    {
        $hex = Colour::of($hex)->drawnAs601()->hex;

        return substr($hex, 4, 2).substr($hex, 2, 2).substr($hex, 0, 2);
    }
}
