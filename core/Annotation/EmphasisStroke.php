<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** Draws an emphasis as a pen does, along its middle line; so it can be seen while it is drawn on, and by hand. */
final readonly class EmphasisStroke
{
    /** Points of a line are so far from each other, in Figure::UNITS. */
    private const STEP = 120.0;

    /** How far a hand strays from a line, in parts of its width; and how far it goes on beyond where it began. */
    private const STRAY = 0.55;

    private const BEYOND = 0.04;

    /**
     * @param  list<list<array{float, float}>>  $lines  corners of lines that are drawn one after the other, in Figure::UNITS
     * @param  int  $seed  tells one hand's drawing from another; the same makes the same
     */
    public function __construct(private array $lines, private EmphasisLook $look, private int $seed)
    {
    }

    /**
     * @param  float  $part  of all of it that is drawn, 0..1
     * @return list<list<int>> polygons that all wind the same way
     */
    public function polygons(float $part): array
    {
        $paths = array_map($this->stepped(...), $this->lines);
        $left = $part * array_sum(array_map(count(...), $paths));
        $polygons = [];
        foreach ($paths as $n => $path) {
            $count = (int) min(count($path), ceil($left));
            $left -= count($path);
            if ($count < 1) {
                break;
            }
            $points = array_map(
                fn (array $point, int $i): array => $this->penned($path, $i, $n),
                array_slice($path, 0, $count),
                range(0, $count - 1),
            );
            array_push($polygons, ...InkOutline::of($points));
        }

        return $polygons;
    }

    /**
     * @param  list<array{float, float}>  $corners
     * @return non-empty-list<array{float, float}> points that are near each other
     */
    private function stepped(array $corners): array
    {
        if ($this->look->isHandDrawn && $corners[0] === $corners[count($corners) - 1] && isset($corners[1])) {
            // A hand that draws something closed goes on a little.
            [$a, $b] = $corners;
            $corners[] = [$a[0] + ($b[0] - $a[0]) * self::BEYOND * 4, $a[1] + ($b[1] - $a[1]) * self::BEYOND * 4];
        }
        $points = [$corners[0]];
        foreach (array_slice($corners, 1) as $i => $to) {
            $from = $corners[$i];
            $steps = max(1, (int) round(hypot($to[0] - $from[0], $to[1] - $from[1]) / self::STEP));
            for ($step = 1; $step <= $steps; $step++) {
                $points[] = [
                    $from[0] + ($to[0] - $from[0]) * $step / $steps,
                    $from[1] + ($to[1] - $from[1]) * $step / $steps,
                ];
            }
        }

        return $points;
    }

    /**
     * @param  list<array{float, float}>  $path
     * @return array{int, int, int} x, y and radius
     */
    private function penned(array $path, int $i, int $line): array
    {
        [$x, $y] = $path[$i];
        $radius = $this->look->line / 2;
        if (! $this->look->isHandDrawn) {
            return [(int) round($x), (int) round($y), (int) round($radius)];
        }
        // Slow waves of different lengths: what a wrist does.
        $wave = fn (float $length, int $turn): float => sin(
            2 * M_PI * $i / $length + ($this->seed % 97) * 0.7 + $turn * 1.9 + $line,
        );
        $stray = self::STRAY * $this->look->line;

        return [
            (int) round($x + $stray * (0.6 * $wave(23.0, 0) + 0.4 * $wave(9.0, 1))),
            (int) round($y + $stray * (0.6 * $wave(19.0, 2) + 0.4 * $wave(11.0, 3))),
            (int) round($radius * (1 + 0.22 * $wave(31.0, 4))),
        ];
    }
}
