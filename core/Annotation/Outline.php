<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** Filled shapes that stand: polygons that all wind the same way, so that where they overlap they are still filled. */
final readonly class Outline implements Figure
{
    /**
     * @param  list<list<int>>  $polygons  x and y in turn, in UNITS
     * @param  string  $colour  RRGGBB
     * @param  float  $opacity  0..1, of all of them together
     */
    public function __construct(public array $polygons, public string $colour, public float $opacity = 1.0)
    {
    }

    public function part(float $from, float $until): self
    {
        return $this;
    }

    /** @return array{kind: string, path: string, colour: string, opacity: float} the path as SVG has it, in UNITS */
    public function toArray(): array
    {
        $path = '';
        foreach ($this->polygons as $polygon) {
            $points = array_map(fn (array $p): string => implode(' ', $p), array_chunk($polygon, 2));
            $path .= 'M'.implode('L', $points).'Z';
        }

        return ['kind' => 'outline', 'path' => $path, 'colour' => $this->colour, 'opacity' => $this->opacity];
    }
}
