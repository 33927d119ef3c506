<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;

/** A click: a circle that spreads and goes; it may be heard too. */
final readonly class Click implements Drawing
{
    public const LENGTH_MS = 480;

    private const STEPS = 8;

    private const RADIUS = 620;

    private const LINE = 70;

    /** Corners of a circle. */
    private const CORNERS = 28;

    public function __construct(public float $x, public float $y, public string $colour, public bool $isHeard = false)
    {
    }

    /** @param  array<string, mixed>  $data */
    public static function parse(array $data): ?self
    {
        $points = PointList::parse([[0, $data['x'] ?? null, $data['y'] ?? null]]);

        return $points === []
            ? null
            : new self(
                $points[0]->x,
                $points[0]->y,
                Colours::parse($data['colour'] ?? null) ?? Colours::DEFAULT,
                ($data['sound'] ?? false) === true,
            );
    }

    public function marks(Span $seen, TimeMap $map, float $aspect): array
    {
        $marks = [];
        for ($i = 0; $i < self::STEPS; $i++) {
            $at = fn (int $step): int => $map->frameOf(
                $seen->from->plus(Tick::ofMilliseconds(intdiv($step * self::LENGTH_MS, self::STEPS))),
            );
            $part = ($i + 1) / self::STEPS;
            $marks[] = new Annotation(
                new Outline($this->circle($aspect, self::RADIUS * $part), $this->colour, round(1 - $i / self::STEPS, 3)),
                $at($i),
                $at($i + 1),
            );
        }

        return array_values(array_filter($marks, fn (Annotation $m): bool => $m->from < $m->until));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => 'click', 'x' => $this->x, 'y' => $this->y, 'colour' => $this->colour, 'sound' => $this->isHeard];
    }

    /** @return list<list<int>> the outer edge, and the inner one, which winds the other way */
    private function circle(float $aspect, float $radius): array
    {
        $edge = function (float $radius, int $way) use ($aspect): array {
            $points = [];
            for ($i = 0; $i < self::CORNERS; $i++) {
                $angle = ($way * 2 * M_PI * $i) / self::CORNERS;
                $points[] = (int) round($this->x * $aspect * Figure::UNITS + $radius * cos($angle));
                $points[] = (int) round($this->y * Figure::UNITS + $radius * sin($angle));
            }

            return $points;
        };

        return [$edge($radius, 1), $edge(max(1.0, $radius - self::LINE), -1)];
    }
}
