<?php

declare(strict_types=1);

namespace App\Readers;

use OpenReel\Core\Continuity\Character;
use OpenReel\Core\Seeing\CameraLook;

/** Reads what was found when a take was looked over. */
final class TakeCharacter
{
    /** @param  array<string, mixed>|null  $inspected  as App\Actions\Takes\InspectTake keeps it */
    public static function of(?array $inspected): ?Character
    {
        if ($inspected === null) {
            return null;
        }
        $camera = $inspected['camera'];

        return new Character(
            $inspected['voice'],
            $inspected['noise'],
            $camera === null
                ? null
                : new CameraLook(
                    (float) $camera['brightness'],
                    (float) $camera['blue'],
                    (float) $camera['red'],
                    self::bytes($camera['cells']),
                    self::bytes($camera['moves']),
                ),
        );
    }

    /** @return list<int> */
    private static function bytes(string $packed): array
    {
        return array_values((array) unpack('C*', (string) base64_decode($packed, true)));
    }
}
