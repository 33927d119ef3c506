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
     * @param  list<PenDot>  $dots
     * @return list<int> indexes
     */
    public static function drawn(array $dots): array
    {
        $drawn = [];
        $last = count($dots) - 1;
        foreach ($dots as $i => $dot) {
            $before = $drawn === [] ? null : $dots[$drawn[count($drawn) - 1]];
            $far = $before === null || ($dot->x - $before->x) ** 2 + ($dot->y - $before->y) ** 2 >= self::NEAR ** 2;
            if ($far) {
                $drawn[] = $i;
            } elseif ($i === $last && count($drawn) > 1) {
                $drawn[count($drawn) - 1] = $i;
            }
        }

        return $drawn;
    }

    /**
     * What a round pen leaves on its way between two dots; one round shape where they are one.
     *
     * @return list<int> x and y in turn
     */
    public static function between(PenDot $a, PenDot $b): array
    {
        $way = atan2($b->y - $a->y, $b->x - $a->x);
        $polygon = [];
        foreach ([[$a, M_PI_2], [$b, -M_PI_2]] as [$dot, $from]) {
            for ($i = 0; $i <= self::CORNERS; $i++) {
                $angle = $way + $from + (M_PI * $i) / self::CORNERS;
                array_push(
                    $polygon,
                    (int) floor($dot->x + $dot->radius * cos($angle) + 0.5),
                    (int) floor($dot->y + $dot->radius * sin($angle) + 0.5),
                );
            }
        }

        return $polygon;
    }

    /**
     * @param  list<PenDot>  $dots
     * @return list<list<int>>
     */
    public static function of(array $dots): array
    {
        $drawn = array_map(fn (int $i): PenDot => $dots[$i], self::drawn($dots));
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
