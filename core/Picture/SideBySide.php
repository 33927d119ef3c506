<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Stage and camera beside each other, as high as each other; one above the other in a frame that is higher than wide. */
final readonly class SideBySide
{
    /** How much of the room the camera has. */
    private const CAMERA = 0.32;

    private function __construct(public PixelRect $stage, public PixelRect $camera)
    {
    }

    /** @param  Corner  $corner  the camera stands on its side */
    public static function of(FrameSize $frame, Shape $stage, Corner $corner): self
    {
        $gap = PixelRect::even(Inset::MARGIN * min($frame->width, $frame->height));
        if ($frame->height > $frame->width) {
            return self::stacked($frame, $stage, $gap, in_array($corner, [Corner::TopLeft, Corner::TopRight], true));
        }
        $room = $frame->width - 3 * $gap;
        $width = PixelRect::even($room * (1 - self::CAMERA));
        $height = min(PixelRect::even($width / $stage->aspect()), $frame->height - 2 * $gap);
        $width = min($width, PixelRect::even($height * $stage->aspect()));
        $left = in_array($corner, [Corner::TopLeft, Corner::BottomLeft], true);
        $camera = PixelRect::even($room * self::CAMERA);
        // Both stand in the middle together.
        $start = PixelRect::even(($frame->width - $width - $camera - $gap) / 2);
        $top = PixelRect::even(($frame->height - $height) / 2);

        return new self(
            new PixelRect($left ? $start + $camera + $gap : $start, $top, $width, $height),
            new PixelRect($left ? $start : $start + $width + $gap, $top, $camera, $height),
        );
    }

    private static function stacked(FrameSize $frame, Shape $stage, int $gap, bool $cameraAbove): self
    {
        $width = $frame->width - 2 * $gap;
        $room = $frame->height - 3 * $gap;
        $height = min(PixelRect::even($width / $stage->aspect()), PixelRect::even($room * (1 - self::CAMERA)));
        $wide = min($width, PixelRect::even($height * $stage->aspect()));
        $rest = PixelRect::even($room - $height);

        return new self(
            new PixelRect(PixelRect::even(($frame->width - $wide) / 2), $cameraAbove ? $rest + 2 * $gap : $gap, $wide, $height),
            new PixelRect($gap, $cameraAbove ? $gap : $height + 2 * $gap, $width, $rest),
        );
    }
}
