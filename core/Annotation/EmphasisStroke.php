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
     * @param  list<non-empty-list<PenPoint>>  $lines  corners of lines that are drawn one after the other
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
                fn (PenPoint $corner, int $i): PenDot => $this->penned($corner, $i, $n),
                array_slice($path, 0, $count),
                range(0, $count - 1),
            );
            array_push($polygons, ...InkOutline::of($points));
        }

        return $polygons;
    }

    /**
     * @param  non-empty-list<PenPoint>  $corners
     * @return non-empty-list<PenPoint> points that are near each other
     */
    private function stepped(array $corners): array
    {
        if ($this->look->isHandDrawn && $corners[0] == $corners[count($corners) - 1] && isset($corners[1])) {
            // A hand that draws something closed goes on a little.
            [$a, $b] = $corners;
            $corners[] = $a->towards($b, self::BEYOND * 4);
        }
        $points = [$corners[0]];
        foreach (array_slice($corners, 1) as $i => $to) {
            $from = $corners[$i];
            $steps = max(1, (int) round($from->distanceTo($to) / self::STEP));
            for ($step = 1; $step <= $steps; $step++) {
                $points[] = $from->towards($to, $step, $steps);
            }
        }

        return $points;
    }

    /**
     * @param  int  $i  its place on the path
     * @param  int  $line  the path's place among them
     */
    private function penned(PenPoint $corner, int $i, int $line): PenDot
    {
        $radius = $this->look->line / 2;
        if (! $this->look->isHandDrawn) {
            return new PenDot((int) round($corner->x), (int) round($corner->y), (int) round($radius));
        }
        // Slow waves of different lengths: what a wrist does.
        $wave = fn (float $length, int $turn): float => sin(
            2 * M_PI * $i / $length + ($this->seed % 97) * 0.7 + $turn * 1.9 + $line,
        );
        $stray = self::STRAY * $this->look->line;

        return new PenDot(
            (int) round($corner->x + $stray * (0.6 * $wave(23.0, 0) + 0.4 * $wave(9.0, 1))),
            (int) round($corner->y + $stray * (0.6 * $wave(19.0, 2) + 0.4 * $wave(11.0, 3))),
            (int) round($radius * (1 + 0.22 * $wave(31.0, 4))),
        );
    }
}
