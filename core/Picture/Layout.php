<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How the stage (a slide, a screen, a board) and the camera share the frame. */
enum Layout: string
{
    case SlideWithInset = 'slide-with-inset';
    case SideBySide = 'side-by-side';
    case SlideAlone = 'slide-alone';
    case CameraAlone = 'camera-alone';

    /** What can be shown of this layout with the pictures there are. */
    public function possibleWith(bool $stage, bool $camera): self
    {
        return match (true) {
            $stage && $camera => $this,
            $camera => self::CameraAlone,
            default => self::SlideAlone,
        };
    }
}
