<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** What a track of a take holds. */
enum TrackKind: string
{
    case Camera = 'camera';
    case Screen = 'screen';
    case Microphone = 'microphone';
    case Computer = 'computer';

    public function isPicture(): bool
    {
        return $this === self::Camera || $this === self::Screen;
    }
}
