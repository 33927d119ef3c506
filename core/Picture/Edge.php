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
     */
    private function __construct(public int $radius, public int $border, public string $colour)
    {
    }

    /** @return self|null null for a plain rectangle without a border */
    public static function of(Inset $inset, PixelRect $rect, FrameSize $frame): ?self
    {
        $radius = $inset->shape->radius($rect->width, $rect->height);
        $border = $inset->border->pixels($frame);

        return $radius === 0 && $border === 0 ? null : new self($radius, $border, $inset->border->colour);
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

    /** @return array{radius: int, border: int, colour: string} */
    public function toArray(): array
    {
        return ['radius' => $this->radius, 'border' => $this->border, 'colour' => $this->colour];
    }

    private static function svg(PixelRect $rect, string $body): string
    {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$rect->width}\" height=\"{$rect->height}\">{$body}</svg>";
    }
}
