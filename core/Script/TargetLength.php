<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** How long a section or lesson is meant to be. */
final class TargetLength
{
    /** A tenth more or less than meant is as meant. */
    private const SLACK = 0.1;

    /**
     * @param  int|null  $targetMs  null when nobody says
     * @return int|null milliseconds by which a length misses its target, below zero when it is shorter; null when it is as meant
     */
    public static function missedBy(int $lengthMs, ?int $targetMs): ?int
    {
        $off = $targetMs === null ? 0 : $lengthMs - $targetMs;

        return $targetMs !== null && abs($off) > self::SLACK * $targetMs ? $off : null;
    }
}
