<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Picture\CameraLook;

/** How two takes that follow each other differ so much that one hears or sees where one ends and the other begins. */
enum ContinuityBreak: string
{
    case Louder = 'louder';
    case Quieter = 'quieter';
    case MoreNoise = 'more-noise';
    case LessNoise = 'less-noise';
    case Brighter = 'brighter';
    case Darker = 'darker';
    case OtherColour = 'other-colour';
    case OtherPlace = 'other-place';
    case Nearer = 'nearer';
    case Further = 'further';

    /** The film evens out how loud voices are. A voice this much louder was nearer to the microphone, and sounds so. */
    private const VOICE_DB = 6.0;

    /** Twice as loud (10 dB; Stevens 1955) is heard without listening for it. */
    private const NOISE_DB = 10.0;

    /** A room that lies so far under the voice is not heard, whatever it changes to. */
    private const INAUDIBLE_DB = 45.0;

    /** Of 255 grey values: a third of a stop at middle grey. */
    private const BRIGHTNESS = 14.0;

    /** Of 255: a white wall turns visibly yellow or blue. */
    private const COLOUR = 5.0;

    /** @return list<self> how the second take is when one comes to it from the first */
    public static function between(TakeProfile $one, TakeProfile $other): array
    {
        return [...self::heard($one, $other), ...self::seen($one->camera, $other->camera)];
    }

    /** @return list<self> */
    private static function heard(TakeProfile $one, TakeProfile $other): array
    {
        if ($one->voice === null || $other->voice === null || $one->noise === null || $other->noise === null) {
            return [];
        }
        $louder = $other->voice - $one->voice;
        // As loud as the room comes out once both voices are equally loud.
        [$before, $after] = [$one->noise - $one->voice, $other->noise - $other->voice];
        $isHeard = max($before, $after) > -self::INAUDIBLE_DB;

        return array_values(array_filter([
            abs($louder) < self::VOICE_DB ? null : ($louder > 0 ? self::Louder : self::Quieter),
            ! $isHeard || abs($after - $before) < self::NOISE_DB ? null : ($after > $before ? self::MoreNoise : self::LessNoise),
        ]));
    }

    /** @return list<self> */
    private static function seen(?CameraLook $one, ?CameraLook $other): array
    {
        if ($one === null || $other === null) {
            return [];
        }
        $brighter = $other->brightness - $one->brightness;
        $moved = Framing::changed($one, $other);

        return array_values(array_filter([
            abs($brighter) < self::BRIGHTNESS ? null : ($brighter > 0 ? self::Brighter : self::Darker),
            hypot($other->blue - $one->blue, $other->red - $one->red) < self::COLOUR ? null : self::OtherColour,
            match (true) {
                $moved === null => null,
                $moved->size > 1.05 => self::Nearer,
                $moved->size < 0.95 => self::Further,
                default => self::OtherPlace,
            },
        ]));
    }
}
