<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A part of a picture, in parts of its sides (0..1). */
final readonly class Crop
{
    public function __construct(public float $x, public float $y, public float $width, public float $height)
    {
    }

    /** The shape of what is left of a picture. */
    public function shape(Shape $whole): Shape
    {
        return Shape::of(max(1, (int) round($whole->width * $this->width)), max(1, (int) round($whole->height * $this->height)));
    }

    /** @return array{x: float, y: float, width: float, height: float} */
    public function toArray(): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'width' => $this->width, 'height' => $this->height];
    }
}
