<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/**
 * The outline of a stroke: for each two points that follow each other the shape a round pen leaves on its way between them. All
 * of these wind the same way, so that together they are one filled shape wherever the stroke crosses itself. The browser
 * computes the same while one draws (`resources/js/ui/ink.ts`); both are held to `tests/examples/ink.json`.
 */
final class InkOutline
{
    /** Corners of the half circle at either end. */
    private const CORNERS = 5;

    /** Points nearer to the one before than this, in Figure::UNITS, add nothing that could be seen. */
    private const NEAR = 20;

    /**
     * Which points are drawn: the first, and each that is far enough from the one drawn before; the last takes its place when
     * it is not.
     *
     * @param  list<array{int, int, int}>  $points  x, y and radius in Figure::UNITS
     * @return list<int> indexes
     */
    public static function drawn(array $points): array
    {
        $drawn = [];
        $last = count($points) - 1;
        foreach ($points as $i => [$x, $y]) {
            $before = $drawn === [] ? null : $points[$drawn[count($drawn) - 1]];
            $far = $before === null || ($x - $before[0]) ** 2 + ($y - $before[1]) ** 2 >= self::NEAR ** 2;
            if ($far) {
                $drawn[] = $i;
            } elseif ($i === $last && count($drawn) > 1) {
                $drawn[count($drawn) - 1] = $i;
            }
        }

        return $drawn;
    }

    /**
     * What a round pen leaves between two points; a dot where they are one.
     *
     * @param  array{int, int, int}  $a  x, y, radius
     * @param  array{int, int, int}  $b
     * @return list<int> x and y in turn
     */
    public static function between(array $a, array $b): array
    {
        $way = atan2($b[1] - $a[1], $b[0] - $a[0]);
        $polygon = [];
        foreach ([[$a, M_PI_2], [$b, -M_PI_2]] as [[$x, $y, $radius], $from]) {
            for ($i = 0; $i <= self::CORNERS; $i++) {
                $angle = $way + $from + (M_PI * $i) / self::CORNERS;
                array_push(
                    $polygon,
                    (int) floor($x + $radius * cos($angle) + 0.5),
                    (int) floor($y + $radius * sin($angle) + 0.5),
                );
            }
        }

        return $polygon;
    }

    /**
     * @param  list<array{int, int, int}>  $points
     * @return list<list<int>>
     */
    public static function of(array $points): array
    {
        $drawn = array_map(fn (int $i): array => $points[$i], self::drawn($points));
        if (count($drawn) === 1) {
            return [self::between($drawn[0], $drawn[0])];
        }
        $polygons = [];
        for ($i = 1; $i < count($drawn); $i++) {
            $polygons[] = self::between($drawn[$i - 1], $drawn[$i]);
        }

        return $polygons;
    }
}
