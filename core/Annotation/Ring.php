<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** The pointer's ring on its way, evenly, from one place to another: a line with a light edge round it. */
final readonly class Ring implements Figure
{
    /** Radius, width of the line and of its edge, in UNITS: large enough to be found, small enough to show what it points at. */
    public const RADIUS = 230;

    public const LINE = 60;

    public const EDGE = 22;

    public const EDGE_COLOUR = 'FFFFFF';

    /**
     * Places in parts of the picture.
     *
     * @param  float  $opacity  where it begins, 0..1
     * @param  float  $opacityTo  where it ends
     * @param  string  $colour  RRGGBB
     */
    public function __construct(
        public float $x,
        public float $y,
        public float $toX,
        public float $toY,
        public string $colour,
        public float $opacity = 1.0,
        public float $opacityTo = 1.0,
    ) {
    }

    public function part(float $from, float $until): self
    {
        $at = fn (float $a, float $b, float $part): float => round($a + ($b - $a) * $part, 5);

        return new self(
            $at($this->x, $this->toX, $from),
            $at($this->y, $this->toY, $from),
            $at($this->x, $this->toX, $until),
            $at($this->y, $this->toY, $until),
            $this->colour,
            $at($this->opacity, $this->opacityTo, $from),
            $at($this->opacity, $this->opacityTo, $until),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => 'ring', 'x' => $this->x, 'y' => $this->y, 'to_x' => $this->toX, 'to_y' => $this->toY,
            'opacity' => $this->opacity, 'opacity_to' => $this->opacityTo, 'colour' => $this->colour,
            'radius' => self::RADIUS, 'line' => self::LINE, 'edge' => self::EDGE, 'edge_colour' => self::EDGE_COLOUR,
        ];
    }
}
