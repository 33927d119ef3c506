<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How slide and camera share the frame. */
enum Layout: string
{
    case SlideWithInset = 'slide-with-inset';
    case SlideAlone = 'slide-alone';
    case CameraAlone = 'camera-alone';

    /** What can be shown of this layout with the pictures there are. */
    public function possibleWith(bool $slide, bool $camera): self
    {
        return match (true) {
            $slide && $camera => $this,
            $camera => self::CameraAlone,
            default => self::SlideAlone,
        };
    }
}
