<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use OpenReel\Core\Analysis\TakeProfile;
use OpenReel\Core\Picture\CameraLook;

/** Reads what was found when a take was looked over. */
final class StoredTakeProfile
{
    /** @param  array<string, mixed>|null  $inspected  as App\Actions\Takes\InspectTake keeps it */
    public static function of(?array $inspected): ?TakeProfile
    {
        if ($inspected === null) {
            return null;
        }
        $camera = $inspected['camera'];

        return new TakeProfile(
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
