<?php

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
}
