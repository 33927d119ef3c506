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

/** Key caps in a row, as an SVG drawing on a transparent ground, low in the middle of the frame. */
final readonly class KeysDrawing
{
    /** Height of a cap, in parts of the frame's shorter side. */
    private const HEIGHT = 0.085;

    /** Width of a letter of the interface's face, in parts of its size: wide enough for any. */
    private const LETTER = 0.62;

    /** @param  non-empty-list<string>  $caps */
    public function __construct(private array $caps, private FrameSize $frame, private HouseStyle $style)
    {
    }

    public function svg(): string
    {
        [$height, $widths, $gap, $whole] = $this->measures();
        $size = (int) round($height * 0.42);
        $colours = $this->style->colours;
        $drawn = '';
        $x = 0;
        foreach ($this->caps as $i => $cap) {
            $drawn .= sprintf(
                '<rect x="%d" y="2" width="%d" height="%d" rx="%d" fill="#%s" stroke="#%s" stroke-width="3"/>'.
                    '<rect x="%d" y="%d" width="%d" height="3" fill="#%s" fill-opacity="0.35"/>',
                $x + 2,
                $widths[$i] - 4,
                $height - 4,
                (int) round($height * 0.16),
                $colours->paper->hex,
                $colours->ink->hex,
                $x + 8,
                $height - 12,
                $widths[$i] - 16,
                $colours->ink->hex,
            );
            $drawn .= sprintf(
                '<text x="%d" y="%d" text-anchor="middle" font-family="%s" font-weight="bold" font-size="%d" '
                    .'fill="#%s">%s</text>',
                $x + intdiv($widths[$i], 2),
                (int) round($height * 0.6),
                $this->style->faces->text,
                $size,
                $colours->ink->hex,
                htmlspecialchars($cap, ENT_XML1 | ENT_QUOTES),
            );
            $x += $widths[$i] + $gap;
        }

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$whole}\" height=\"{$height}\">{$drawn}</svg>";
    }

    public function layer(): Layer
    {
        [$height, , , $width] = $this->measures();
        $bottom = PixelRect::even(2 * Inset::MARGIN * min($this->frame->width, $this->frame->height));

        return new Layer(
            Still::drawn(StillKind::Keys, $this->svg(), Shape::of($width, $height)),
            new PixelRect(
                PixelRect::even(($this->frame->width - $width) / 2),
                $this->frame->height - $bottom - $height,
                $width,
                $height,
            ),
        );
    }

    /** @return array{int, list<int>, int, int} height, widths of the caps, gap between them, width of all */
    private function measures(): array
    {
        $height = PixelRect::even(self::HEIGHT * min($this->frame->width, $this->frame->height));
        $widths = array_map(
            fn (string $cap): int => max($height, PixelRect::even($height * (0.5 + 0.42 * self::LETTER * mb_strlen($cap)))),
            $this->caps,
        );
        $gap = PixelRect::even($height * 0.2);

        return [$height, $widths, $gap, array_sum($widths) + $gap * (count($widths) - 1)];
    }
}
