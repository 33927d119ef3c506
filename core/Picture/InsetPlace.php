<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Where an inset lies that is in no corner: in parts of the frame (0..1); its height follows from its shape. */
final readonly class InsetPlace
{
    /** Smaller, nobody is recognised. */
    public const LEAST = 0.08;

    public const MOST = 0.6;

    private function __construct(public float $x, public float $y, public float $width)
    {
    }

    /** What reaches out of the frame is moved in when the inset is drawn. */
    public static function of(float $x, float $y, float $width): self
    {
        $part = fn (float $value): float => round(max(0.0, min(1.0, $value)), 5);

        return new self($part($x), $part($y), round(max(self::LEAST, min(self::MOST, $width)), 5));
    }

    /** @param  float  $aspect  the inset's */
    public function rect(FrameSize $frame, float $aspect): PixelRect
    {
        $width = PixelRect::even($this->width * $frame->width);
        $height = min(PixelRect::even($width / $aspect), $frame->height);
        $width = min($width, PixelRect::even($height * $aspect));

        return new PixelRect(
            max(0, min(PixelRect::even($this->x * $frame->width), $frame->width - $width)),
            max(0, min(PixelRect::even($this->y * $frame->height), $frame->height - $height)),
            $width,
            $height,
        );
    }
}
