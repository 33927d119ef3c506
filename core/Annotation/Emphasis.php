<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** A shape that is laid over the stage for a while so that one looks there; places are in parts of its picture, 0..1. */
final readonly class Emphasis
{
    /** How much is dimmed round a spotlight. */
    private const DIMMED = 0.6;

    private const CORNERS = 72;

    /**
     * @param  list<float>  $places  left, top, width and height; of an underline without the height; of an arrow where it begins
     *    and where it points
     * @param  string  $colour  RRGGBB
     */
    public function __construct(
        public EmphasisShape $shape,
        public array $places,
        public string $colour,
        public EmphasisLook $look = new EmphasisLook(),
    ) {
    }

    /**
     * @param  float  $aspect  width of the stage's picture, in parts of its height
     * @param  float  $part  of it that is drawn already, 0..1
     */
    public function figure(float $aspect, float $part = 1.0): Outline
    {
        $isPenned = $this->shape !== EmphasisShape::Spotlight && ($part < 1.0 || $this->look->isHandDrawn);

        return $isPenned ? new Outline($this->pen($aspect)->polygons($part), $this->colour) : $this->plain($aspect);
    }

    private function pen(float $aspect): EmphasisStroke
    {
        [$a, $b, $c, $d] = [...$this->places, 0.0, 0.0];
        $half = $this->look->line / 2;
        $from = PenPoint::in($aspect, $a, $b);
        if ($this->shape === EmphasisShape::Arrow) {
            $to = PenPoint::in($aspect, $c, $d);
            $length = max(1.0, $from->distanceTo($to));
            [$x, $y] = [($to->x - $from->x) / $length, ($to->y - $from->y) / $length];
            $head = min(4.5 * $this->look->line, 0.6 * $length);
            $side = fn (int $way): PenPoint => new PenPoint(
                $to->x - $head * $x - $way * 0.55 * $head * $y,
                $to->y - $head * $y + $way * 0.55 * $head * $x,
            );
            $lines = [[$from, $to], [$side(1), $to, $side(-1)]];
        } else {
            $to = PenPoint::in($aspect, $a + $c, $b + $d);
            [$l, $t, $r, $u] = [$from->x + $half, $from->y + $half, $to->x - $half, $to->y - $half];
            $lines = match ($this->shape) {
                EmphasisShape::Underline => [[new PenPoint($from->x, $t), new PenPoint($to->x, $t)]],
                EmphasisShape::Round => [self::closed(self::ellipse($l, $t, $r, $u))],
                default => [self::closed([$l, $t, $r, $t, $r, $u, $l, $u])],
            };
        }

        return new EmphasisStroke($lines, $this->look, (int) round(1000 * array_sum($this->places)));
    }

    /**
     * @param  list<float>  $points  x and y in turn
     * @return non-empty-list<PenPoint> back to where they began
     */
    private static function closed(array $points): array
    {
        $corners = [];
        for ($i = 0; $i + 1 < count($points); $i += 2) {
            $corners[] = new PenPoint($points[$i], $points[$i + 1]);
        }

        return [...$corners, $corners[0]];
    }

    private function plain(float $aspect): Outline
    {
        [$a, $b, $c, $d] = [...$this->places, 0.0, 0.0];
        $from = PenPoint::in($aspect, $a, $b);
        if ($this->shape === EmphasisShape::Arrow) {
            return $this->outline([$this->arrow($from, PenPoint::in($aspect, $c, $d))]);
        }
        $to = PenPoint::in($aspect, $a + $c, $b + $d);
        [$left, $top, $right, $bottom] = [$from->x, $from->y, $to->x, $to->y];
        $line = min($this->look->line, ($right - $left) / 2, ($bottom - $top) / 2);
        $inner = [$left + $line, $top + $line, $right - $line, $bottom - $line];

        return match ($this->shape) {
            EmphasisShape::Underline => $this->outline([self::rectangle($left, $top, $right, $top + $this->look->line)]),
            EmphasisShape::Box => $this->outline(self::ring(
                self::rectangle($left, $top, $right, $bottom),
                self::rectangle(...$inner),
            )),
            EmphasisShape::Round => $this->outline(self::ring(
                self::ellipse($left, $top, $right, $bottom),
                self::ellipse(...$inner),
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

    /** @return list<float> a shaft and a head, as one polygon */
    private function arrow(PenPoint $from, PenPoint $to): array
    {
        $length = max(1.0, $from->distanceTo($to));
        [$x, $y] = [($to->x - $from->x) / $length, ($to->y - $from->y) / $length];
        $head = min(4.5 * $this->look->line, 0.6 * $length);
        $half = $this->look->line / 2;
        $wide = 0.55 * $head;
        $points = [];
        foreach ([[0, -$half], [$length - $head, -$half], [$length - $head, -$wide], [$length, 0], [$length - $head, $wide],
            [$length - $head, $half], [0, $half]] as [$along, $aside]) {
            array_push($points, $from->x + $along * $x - $aside * $y, $from->y + $along * $y + $aside * $x);
        }

        return $points;
    }
}
