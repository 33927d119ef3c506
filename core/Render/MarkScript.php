<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Annotation\Figure;
use OpenReel\Core\Annotation\Outline;
use OpenReel\Core\Annotation\Ring;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\PixelRect;

/**
 * Marks as a subtitle script (Advanced SubStation Alpha, as libass draws it), one event a mark. The browser draws the same
 * values as SVG (`resources/js/ui/MarkDrawing.tsx`).
 */
final class MarkScript
{
    /** libass draws in eighths of a pixel (`\p4`). */
    private const FINE = 8;

    /** The marks of a layer as a shot shows them; of one on its way, as they lie on the picture itself. */
    public static function ofLayer(Layer $layer, AnnotationLayer $marks, ShotSpec $spec): string
    {
        $rect = $layer->rect;
        if ($layer->motion !== null) {
            return self::of(
                $marks,
                new PixelRect(0, 0, $rect->width, $rect->height),
                FrameSize::of($rect->width, $rect->height),
                $spec->rate,
                $spec->skip,
                $layer->motion->part === null ? $layer->crop : null,
            );
        }

        return self::of($marks, $rect, $spec->picture->frame, $spec->rate, $spec->skip, $layer->crop);
    }

    /**
     * @param  PixelRect  $rect  where the picture that the marks belong to is seen, in the frame
     * @param  int  $skip  frames that are left out before the first
     * @param  Crop|null  $part  of that picture that is seen there; null for all of it
     */
    public static function of(
        AnnotationLayer $marks,
        PixelRect $rect,
        FrameSize $frame,
        FrameRate $rate,
        int $skip = 0,
        ?Crop $part = null,
    ): string {
        $clip = $part === null
            ? ''
            : sprintf('{\\clip(%d,%d,%d,%d)}', $rect->x, $rect->y, $rect->x + $rect->width, $rect->y + $rect->height);
        $rect = $part === null ? $rect : self::all($rect, $part);
        $events = '';
        foreach ($marks->marks as $mark) {
            $seen = $mark->within($skip, PHP_INT_MAX);
            $events .= $seen === null ? '' : self::event($seen, $rect, $rate, $clip);
        }

        return "[Script Info]\nScriptType: v4.00+\nPlayResX: {$frame->width}\nPlayResY: "
            ."{$frame->height}\nScaledBorderAndShadow: yes\nYCbCr Matrix: None\n\n".
            "[V4+ Styles]\nFormat: Name, Fontname, Fontsize, PrimaryColour, OutlineColour, BackColour, BorderStyle, Outline, "
                ."Shadow, Alignment, MarginL, MarginR, MarginV\n".
            "Style: Mark,Sans,20,&H00FFFFFF,&H00000000,&H00000000,1,0,0,7,0,0,0\n\n".
            "[Events]\nFormat: Layer, Start, End, Style, Text\n{$events}";
    }

    /** Where all of a picture would lie of which a part is seen. */
    private static function all(PixelRect $rect, Crop $part): PixelRect
    {
        $width = $rect->width / $part->width;
        $height = $rect->height / $part->height;

        return new PixelRect(
            (int) round($rect->x - $part->x * $width),
            (int) round($rect->y - $part->y * $height),
            (int) round($width),
            (int) round($height),
        );
    }

    /** @param  string  $clip  an override that keeps it inside a part of the frame, or nothing */
    private static function event(Annotation $mark, PixelRect $rect, FrameRate $rate, string $clip): string
    {
        $figure = $mark->figure;
        $rows = match (true) {
            $figure instanceof Box => [self::drawn($figure->colour, self::box($figure, $rect))],
            $figure instanceof Outline => [self::drawn($figure->colour, self::outline($figure, $rect), $figure->opacity)],
            $figure instanceof Ring => self::ring($figure, $rect, $mark, $rate),
            default => throw RenderError::unknownFigure(),
        };

        return implode('', array_map(
            fn (string $row): string => sprintf(
                "Dialogue: 0,%s,%s,Mark,%s%s\n",
                self::time($mark->from, $rate),
                self::time($mark->until, $rate),
                $clip,
                $row,
            ),
            $rows,
        ));
    }

    /** Polygons at their place. */
    private static function drawn(string $colour, string $path, float $opacity = 1.0): string
    {
        return '{\\an7\\pos(0,0)'.self::look($colour).($opacity < 1.0 ? '\\1a'.self::alpha($opacity) : '')."\\p4}{$path}";
    }

    private static function look(string $colour): string
    {
        return '\\bord0\\shad0\\1c&H'.self::colour($colour).'&';
    }

    /** How much is let through, as libass counts it. */
    private static function alpha(float $opacity): string
    {
        return sprintf('&H%02X&', (int) round(255 * (1 - max(0.0, min(1.0, $opacity)))));
    }

    private static function outline(Outline $outline, PixelRect $rect): string
    {
        $scale = $rect->height / Figure::UNITS;
        $path = '';
        foreach ($outline->polygons as $polygon) {
            $points = array_map(
                fn (array $p): string => (int) round(self::FINE * ($rect->x + $p[0] * $scale)).' '.
                    (int) round(self::FINE * ($rect->y + $p[1] * $scale)),
                array_chunk($polygon, 2),
            );
            $path .= 'm '.array_shift($points).' l '.implode(' ', $points).' ';
        }

        return rtrim($path);
    }

    /**
     * The edge and, over it, the line, drawn once and moved.
     *
     * @return list<string>
     */
    private static function ring(Ring $ring, PixelRect $rect, Annotation $mark, FrameRate $rate): array
    {
        $scale = $rect->height / Figure::UNITS;
        $outer = Ring::RADIUS + Ring::EDGE;
        $half = $outer * $scale;
        $place = fn (float $x, float $y): string => sprintf(
            '%.2F,%.2F',
            $rect->x + $x * $rect->width - $half,
            $rect->y + $y * $rect->height - $half,
        );
        // The event begins half a frame before its first frame; it is there when its last one is over.
        $start = (int) round(500 / $rate->fps);
        $end = $start + (int) round((1000 * ($mark->until - $mark->from)) / $rate->fps);
        $move = '\\an7\\move('.$place($ring->x, $ring->y).','.$place($ring->toX, $ring->toY).",{$start},{$end})";
        $fade = '\\1a'.self::alpha($ring->opacity);
        if ($ring->opacity !== $ring->opacityTo) {
            $fade .= "\\t({$start},{$end},\\1a".self::alpha($ring->opacityTo).')';
        }
        $row = fn (string $colour, int $radius, int $hole): string => '{'.$move.self::look($colour).$fade.'\\p4}'.
            self::circle($outer, $radius, 1, $scale).' '.self::circle($outer, $hole, -1, $scale);

        return [
            $row(Ring::EDGE_COLOUR, $outer, Ring::RADIUS - Ring::LINE - Ring::EDGE),
            $row($ring->colour, Ring::RADIUS, Ring::RADIUS - Ring::LINE),
        ];
    }

    /** @param  int  $middle  both ways, in Figure::UNITS */
    private static function circle(int $middle, int $radius, int $way, float $scale): string
    {
        $points = [];
        for ($i = 0; $i < 48; $i++) {
            $angle = ($way * 2 * M_PI * $i) / 48;
            $points[] = (int) round(self::FINE * $scale * ($middle + $radius * cos($angle))).' '.
                (int) round(self::FINE * $scale * ($middle + $radius * sin($angle)));
        }

        return 'm '.array_shift($points).' l '.implode(' ', $points);
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
