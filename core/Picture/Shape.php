<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** The size of a source picture (slide or camera) in its own pixels. */
final readonly class Shape
{
    private function __construct(public int $width, public int $height)
    {
    }

    /** @throws PictureError when a side is not positive */
    public static function of(int $width, int $height): self
    {
        return $width > 0 && $height > 0 ? new self($width, $height) : throw PictureError::noArea($width, $height);
    }

    public function aspect(): float
    {
        return $this->width / $this->height;
    }
}
