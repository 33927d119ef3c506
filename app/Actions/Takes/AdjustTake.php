<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Queries\Takes\SectionContinuity;
use App\Queries\Takes\TakeFindings;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\CameraLook;

/** Says how the camera's picture of a take, its section or lesson is changed: the recording stays as it is. */
final class AdjustTake
{
    /**
     * @param  string  $for  `take`, `section` or `lesson`
     * @return array<string, mixed> what each of these takes had before, by id
     */
    public function __invoke(Take $take, ?Adjustment $adjustment, string $for): array
    {
        return IntendedTakes::change($take, 'adjustment', $adjustment?->toArray(), $for);
    }

    /** What makes it go with the takes before and behind it in the film; null when nothing need be changed, or is known. */
    public function matching(Take $take): ?Adjustment
    {
        $own = self::look($take);
        $others = array_map(self::look(...), SectionContinuity::neighbours($take));

        return $own === null ? null : Adjustment::matching($own, ...array_values(array_filter($others)));
    }

    private static function look(Take $take): ?CameraLook
    {
        return TakeFindings::of($take)->analysis?->camera;
    }
}
