<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Kernel\DomainError;

final class PictureError extends DomainError
{
    public static function oddFrame(int $width, int $height): self
    {
        return new self(
            "A frame of {$width} x {$height} cannot be encoded: both sides must be even and at least 64.",
            'frame',
            "{$width}x{$height}",
        );
    }

    public static function noArea(int $width, int $height): self
    {
        return new self("A picture of {$width} x {$height} has no area.", 'picture', "{$width}x{$height}");
    }

    public static function noColour(string $text): self
    {
        return new self(
            "\"{$text}\" is no colour. Write it as six digits or letters from 0 to F, for example #0B5D66.",
            'colour',
            $text,
        );
    }
}
