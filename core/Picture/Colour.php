<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** An opaque colour in sRGB. */
final readonly class Colour
{
    private function __construct(public string $hex)
    {
    }

    /**
     * @param  string  $text  `#RRGGBB` or `RRGGBB`
     *
     * @throws PictureError when it is neither
     */
    public static function of(string $text): self
    {
        return preg_match('/^#?([0-9a-f]{6})$/i', trim($text), $match) === 1
            ? new self(strtoupper($match[1]))
            : throw PictureError::noColour($text);
    }

    /**
     * The colour that, made into luma and colour differences by BT.601, has the numbers that this one has in BT.709: for
     * programs that only know BT.601 and draw into an HD picture. What cannot be reached is as near as it gets.
     */
    public function drawnAs601(): self
    {
        [$r, $g, $b] = array_map(fn (string $pair): float => (float) hexdec($pair), str_split($this->hex, 2));
        $y = 0.2126 * $r + 0.7152 * $g + 0.0722 * $b;
        [$cb, $cr] = [($b - $y) / 1.8556, ($r - $y) / 1.5748];
        $rgb = [$y + 1.402 * $cr, $y - 0.344136 * $cb - 0.714136 * $cr, $y + 1.772 * $cb];

        return new self(vsprintf('%02X%02X%02X', array_map(fn (float $v): int => (int) round(max(0.0, min(255.0, $v))), $rgb)));
    }

    /** The hue on the other side of the circle, bright enough to be told from black: what stands out beside this one. */
    public function opposite(): self
    {
        [$r, $g, $b] = array_map(fn (string $pair): float => hexdec($pair) / 255, str_split($this->hex, 2));
        [$most, $least] = [max($r, $g, $b), min($r, $g, $b)];
        $light = max(0.42, min(0.6, ($most + $least) / 2));
        // Mirrored about the middle the hue is the opposite one; a grey has none, and is given a warm one.
        $turned = $most - $least < 0.05 ? [0.7, 0.35, 0.1] : [$most + $least - $r, $most + $least - $g, $most + $least - $b];
        $middle = (max($turned) + min($turned)) / 2;
        $spread = max(0.05, max($turned) - min($turned));
        $reach = 2 * min($light, 1 - $light) * 0.75;

        return new self(vsprintf('%02X%02X%02X', array_map(
            fn (float $v): int => (int) round(255 * max(0.0, min(1.0, $light + ($v - $middle) / $spread * $reach))),
            $turned,
        )));
    }

    /** Contrast to another colour as WCAG 2.2 defines it: 1..21. */
    public function contrast(self $other): float
    {
        [$a, $b] = [$this->luminance(), $other->luminance()];

        return (max($a, $b) + 0.05) / (min($a, $b) + 0.05);
    }

    private function luminance(): float
    {
        $parts = array_map(function (string $pair): float {
            $value = hexdec($pair) / 255;

            return $value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4;
        }, str_split($this->hex, 2));

        return 0.2126 * $parts[0] + 0.7152 * $parts[1] + 0.0722 * $parts[2];
    }
}
