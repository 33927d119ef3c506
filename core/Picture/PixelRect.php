<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A rectangle in frame pixels; all four numbers are even. */
final readonly class PixelRect
{
    public function __construct(public int $x, public int $y, public int $width, public int $height)
    {
    }

    /** The largest even rectangle of the given aspect inside a frame, centred. */
    public static function contained(float $aspect, FrameSize $frame): self
    {
        $width = min(self::even($frame->height * $aspect), $frame->width);
        $height = min(self::even($frame->width / $aspect), $frame->height);

        return new self(self::even(($frame->width - $width) / 2), self::even(($frame->height - $height) / 2), $width, $height);
    }

    public function overlaps(self $other): bool
    {
        return $this->x < $other->x + $other->width && $other->x < $this->x + $this->width
            && $this->y < $other->y + $other->height && $other->y < $this->y + $this->height;
    }

    /** The nearest even number, at least 2 unless zero is meant. */
    public static function even(float $value): int
    {
        return 2 * (int) round($value / 2);
    }

    /** @return array{x: int, y: int, width: int, height: int} */
    public function toArray(): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'width' => $this->width, 'height' => $this->height];
    }
}
