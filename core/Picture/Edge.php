<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How a layer is cut out and edged, in pixels of the frame. */
final readonly class Edge
{
    /**
     * @param  int  $radius  of its corners
     * @param  int  $border  width of the line, which lies inside the rectangle
     * @param  string  $colour  RRGGBB
     * @param  int  $shadow  how far the shadow behind it is blurred; 0 for none
     */
    private function __construct(public int $radius, public int $border, public string $colour, public int $shadow)
    {
    }

    /** Of the frame's shorter side. */
    private const SHADOW = 0.03;

    /** How dark a shadow is. */
    private const SHADE = 0.45;

    /** @return self|null null for a plain rectangle without a border */
    public static function of(Inset $inset, PixelRect $rect, FrameSize $frame): ?self
    {
        $radius = $inset->shape->radius($rect->width, $rect->height);
        $border = $inset->border->pixels($frame);

        $shadow = $inset->hasShadow ? PixelRect::even(self::SHADOW * min($frame->width, $frame->height)) : 0;

        return $radius === 0 && $border === 0 && $shadow === 0
            ? null
            : new self($radius, $border, $inset->border->colour, $shadow);
    }

    /** How far the shadow lies below what throws it. */
    public function drop(): int
    {
        return PixelRect::even($this->shadow / 4);
    }

    /** Where the drawing of its shadow lies. */
    public function shadowRect(PixelRect $rect): PixelRect
    {
        $around = 2 * $this->shadow;

        return new PixelRect(
            $rect->x - $around, $rect->y - $around + $this->drop(), $rect->width + 2 * $around, $rect->height + 2 * $around,
        );
    }

    /** The shadow alone on a transparent ground. A blur of CSS is a Gaussian of half its deviation (CSS Backgrounds 3, 6.1.1). */
    public function shadowSvg(PixelRect $rect): string
    {
        $around = 2 * $this->shadow;

        return self::svg($this->shadowRect($rect), sprintf(
            '<filter id="b" x="-50%%" y="-50%%" width="200%%" height="200%%"><feGaussianBlur stdDeviation="%s"/></filter>'.
                '<rect x="%d" y="%d" width="%d" height="%d" rx="%d" fill="#000" fill-opacity="%s" filter="url(#b)"/>',
            $this->shadow / 2, $around, $around, $rect->width, $rect->height, $this->radius, self::SHADE,
        ));
    }

    /** White where the layer is seen, black where it is cut away: an SVG drawing of the layer's size. */
    public function maskSvg(PixelRect $rect): string
    {
        return self::svg(
            $rect,
            '<rect width="100%" height="100%" fill="#000"/><rect width="100%" height="100%" rx="'.
                $this->radius.
                '" fill="#fff"/>',
        );
    }

    /** The border alone on a transparent ground: an SVG drawing of the layer's size. */
    public function borderSvg(PixelRect $rect): string
    {
        $half = $this->border / 2;

        return self::svg(
            $rect,
            sprintf(
                '<rect x="%1$s" y="%1$s" width="%2$s" height="%3$s" rx="%4$s" fill="none" stroke="#%5$s" stroke-width="%6$d"/>',
                $half,
                $rect->width - $this->border,
                $rect->height - $this->border,
                max(0, $this->radius - $half),
                $this->colour,
                $this->border,
            ),
        );
    }

    /** @return array{radius: int, border: int, colour: string, shadow: int, drop: int, shade: float} */
    public function toArray(): array
    {
        return [
            'radius' => $this->radius, 'border' => $this->border, 'colour' => $this->colour,
            'shadow' => $this->shadow, 'drop' => $this->drop(), 'shade' => self::SHADE,
        ];
    }

    private static function svg(PixelRect $rect, string $body): string
    {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$rect->width}\" height=\"{$rect->height}\">{$body}</svg>";
    }
}
