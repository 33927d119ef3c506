<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** @internal points as recorders send them: `[milliseconds, x, y]` or `[milliseconds, x, y, pressure]` */
final class PointList
{
    private const LONGEST_MS = 3_600_000;

    /**
     * @param  array<mixed>  $rows  rows that are no points are passed over
     * @return list<TimedPoint> times never going back; places brought to the picture's edge
     */
    public static function parse(array $rows): array
    {
        $points = [];
        $latest = 0;
        foreach ($rows as $row) {
            if (! is_array($row) || ! self::areNumbers([$row[0] ?? null, $row[1] ?? null, $row[2] ?? null])) {
                continue;
            }
            $latest = max($latest, min(self::LONGEST_MS, (int) $row[0]));
            $pressure = self::areNumbers([$row[3] ?? null]) ? (float) $row[3] : TimedPoint::PRESSURE;
            $points[] = new TimedPoint($latest, self::part((float) $row[1]), self::part((float) $row[2]), self::part($pressure));
        }

        return $points;
    }

    /** Brought between 0 and 1, to a precision nobody sees. */
    public static function part(float $value): float
    {
        return round(max(0.0, min(1.0, $value)), 5);
    }

    /** @param  array<mixed>  $values */
    private static function areNumbers(array $values): bool
    {
        return array_filter($values, fn (mixed $v): bool => ! is_int($v) && ! (is_float($v) && is_finite($v))) === [];
    }
}
