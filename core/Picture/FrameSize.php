<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** The size of the finished picture in pixels, both sides even as 4:2:0 colour needs. */
final readonly class FrameSize
{
    private function __construct(public int $width, public int $height)
    {
    }

    /** @throws PictureError when a side is odd or under 64 */
    public static function of(int $width, int $height): self
    {
        return $width >= 64 && $height >= 64 && $width % 2 === 0 && $height % 2 === 0
            ? new self($width, $height)
            : throw PictureError::oddFrame($width, $height);
    }

    public function aspect(): float
    {
        return $this->width / $this->height;
    }
}
