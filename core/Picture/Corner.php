<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

enum Corner: string
{
    case TopLeft = 'top-left';
    case TopRight = 'top-right';
    case BottomLeft = 'bottom-left';
    case BottomRight = 'bottom-right';

    public function isLeft(): bool
    {
        return $this === self::TopLeft || $this === self::BottomLeft;
    }

    public function isTop(): bool
    {
        return $this === self::TopLeft || $this === self::TopRight;
    }

    /** A rectangle of this size in this corner of the frame, so far from its edges. */
    public function place(int $width, int $height, int $margin, FrameSize $frame): PixelRect
    {
        return new PixelRect(
            $this->isLeft() ? $margin : $frame->width - $margin - $width,
            $this->isTop() ? $margin : $frame->height - $margin - $height,
            $width,
            $height,
        );
    }
}
