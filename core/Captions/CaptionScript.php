<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Style\CaptionLook;
use OpenReel\Core\Style\HouseStyle;

/** Captions as a subtitle script that libass draws into the picture,
in the house style's own look (Advanced SubStation Alpha). */
final class CaptionScript
{
    /**
     * @param  list<Caption>  $captions
     */
    public static function write(array $captions, FrameSize $frame, HouseStyle $style): string
    {
        $look = CaptionLook::of($style, $frame);
        $paper = self::colour($style->colours->paper->hex);
        $ink = self::colour($style->colours->ink->hex, CaptionLook::GROUND_OPACITY);
        // 3 draws a box behind each row, in the colour of the outline; 1 an outline round each letter.
        [$border, $width] = $look->hasBox ? [3, $look->padding] : [1, $look->outline];
        $events = '';
        foreach ($captions as $caption) {
            $events .= sprintf(
                "Dialogue: 0,%s,%s,Caption,%s\n",
                self::time($caption->from),
                self::time($caption->until),
                implode('\N', array_map(self::escaped(...), $caption->rows)),
            );
        }

        return "[Script Info]\nScriptType: v4.00+\nPlayResX: {$frame->width}\nPlayResY: {$frame->height}\n"
            ."WrapStyle: 2\nScaledBorderAndShadow: yes\nYCbCr Matrix: None\n\n"
            ."[V4+ Styles]\nFormat: Name, Fontname, Fontsize, PrimaryColour, OutlineColour, BackColour, BorderStyle, Outline, "
            ."Shadow, Alignment, MarginL, MarginR, MarginV\n"
            ."Style: Caption,{$style->faces->text},{$look->size},{$paper},{$ink},{$ink},{$border},{$width},0,2,"
            ."{$look->margin},{$look->margin},{$look->bottom}\n\n"
            ."[Events]\nFormat: Layer, Start, End, Style, Text\n{$events}";
    }

    /** Blue, green, red, and how much is let through. */
    private static function colour(string $hex, float $opacity = 1.0): string
    {
        [$red, $green, $blue] = str_split($hex, 2);

        return sprintf('&H%02X%s%s%s', (int) round(255 * (1 - $opacity)), $blue, $green, $red);
    }

    /** Hundredths of a second. */
    private static function time(Tick $at): string
    {
        $hundredths = (int) round(100 * $at->seconds());

        return sprintf(
            '%d:%02d:%02d.%02d', intdiv($hundredths, 360_000), intdiv($hundredths, 6000) % 60, intdiv($hundredths, 100) % 60,
            $hundredths % 100,
        );
    }

    /** What would begin an override is shown as it is; a mark without width behind a backslash keeps it from meaning anything. */
    private static function escaped(string $text): string
    {
        return str_replace(['\\', '{', '}'], ["\\\u{2060}", '\{', '\}'], $text);
    }
}
