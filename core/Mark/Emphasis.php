<?php

declare(strict_types=1);

namespace OpenReel\Core\Mark;

/** A shape that is laid over the stage for a while so that one looks there; places are in parts of its picture, 0..1. */
final readonly class Emphasis
{
    /** Width of lines, and how much is dimmed round a spotlight. */
    private const LINE = 90;

    private const DIMMED = 0.6;

    private const CORNERS = 72;

    /**
     * @param  list<float>  $places  left, top, width and height; of an underline without the height; of an arrow where it begins
     *    and where it points
     * @param  string  $colour  RRGGBB
     */
    public function __construct(public EmphasisShape $shape, public array $places, public string $colour)
    {
    }

    /** @param  float  $aspect  width of the stage's picture, in parts of its height */
    public function figure(float $aspect): Outline
    {
        $unit = fn (float $x, float $y): array => [$x * $aspect * Figure::UNITS, $y * Figure::UNITS];
        [$a, $b, $c, $d] = [...$this->places, 0.0, 0.0];
        [$left, $top] = $unit($a, $b);
        if ($this->shape === EmphasisShape::Arrow) {
            return $this->outline([self::arrow([$left, $top], $unit($c, $d))]);
        }
        [$right, $bottom] = $unit($a + $c, $b + $d);

        return match ($this->shape) {
            EmphasisShape::Underline => $this->outline([self::rectangle($left, $top, $right, $top + self::LINE)]),
            EmphasisShape::Box => $this->outline(self::ring(
                self::rectangle($left, $top, $right, $bottom),
                self::rectangle(...self::inner($left, $top, $right, $bottom)),
            )),
            EmphasisShape::Round => $this->outline(self::ring(
                self::ellipse($left, $top, $right, $bottom),
                self::ellipse(...self::inner($left, $top, $right, $bottom)),
            )),
            EmphasisShape::Spotlight => new Outline(
                self::integers(self::ring(
                    self::rectangle(0, 0, $aspect * Figure::UNITS, Figure::UNITS),
                    self::ellipse($left, $top, $right, $bottom),
                )),
                $this->colour,
                self::DIMMED,
            ),
        };
    }

    /** @param  list<list<float>>  $polygons */
    private function outline(array $polygons): Outline
    {
        return new Outline(self::integers($polygons), $this->colour);
    }

    /**
     * @param  list<list<float>>  $polygons
     * @return list<list<int>>
     */
    private static function integers(array $polygons): array
    {
        return array_map(fn (array $p): array => array_map(fn (float $v): int => (int) round($v), $p), $polygons);
    }

    /**
     * A shape with a hole, which winds the other way.
     *
     * @param  list<float>  $outer
     * @param  list<float>  $inner
     * @return list<list<float>>
     */
    private static function ring(array $outer, array $inner): array
    {
        return [$outer, array_merge(...array_reverse(array_chunk($inner, 2)))];
    }

    /** @return array{float, float, float, float} */
    private static function inner(float $left, float $top, float $right, float $bottom): array
    {
        $line = min(self::LINE, ($right - $left) / 2, ($bottom - $top) / 2);

        return [$left + $line, $top + $line, $right - $line, $bottom - $line];
    }

    /** @return list<float> */
    private static function rectangle(float $left, float $top, float $right, float $bottom): array
    {
        return [$left, $top, $right, $top, $right, $bottom, $left, $bottom];
    }

    /** @return list<float> */
    private static function ellipse(float $left, float $top, float $right, float $bottom): array
    {
        $points = [];
        for ($i = 0; $i < self::CORNERS; $i++) {
            $angle = (2 * M_PI * $i) / self::CORNERS;
            array_push(
                $points,
                ($left + $right) / 2 + (($right - $left) / 2) * cos($angle),
                ($top + $bottom) / 2 + (($bottom - $top) / 2) * sin($angle),
            );
        }

        return $points;
    }

    /**
     * A shaft and a head, as one polygon.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<float>
     */
    private static function arrow(array $from, array $to): array
    {
        $length = max(1.0, hypot($to[0] - $from[0], $to[1] - $from[1]));
        [$x, $y] = [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        $head = min(4.5 * self::LINE, 0.6 * $length);
        $half = self::LINE / 2;
        $wide = 0.55 * $head;
        $points = [];
        foreach ([[0, -$half], [$length - $head, -$half], [$length - $head, -$wide], [$length, 0], [$length - $head, $wide],
            [$length - $head, $half], [0, $half]] as [$along, $aside]) {
            array_push($points, $from[0] + $along * $x - $aside * $y, $from[1] + $along * $y + $aside * $x);
        }

        return $points;
    }
}
