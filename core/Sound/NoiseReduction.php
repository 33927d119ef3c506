<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** How much of the room's noise is taken out of a voice. */
enum NoiseReduction: string
{
    case Off = 'off';

    /** 12 dB: a fan moves to the next room, and the voice sounds as it did. */
    case Light = 'light';

    /** 20 dB: hardly anything is left; a voice in much noise loses some of its air. */
    case Strong = 'strong';

    /** Part of the sound as it was that is left in: it hides what taking noise out leaves behind. */
    public function left(): float
    {
        return match ($this) {
            self::Off => 1.0,
            self::Light => 0.25,
            self::Strong => 0.1,
        };
    }
}
