<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** @internal a point that a pen comes by, in Figure::UNITS */
final readonly class PenPoint
{
    public function __construct(public float $x, public float $y)
    {
    }

    /** In a picture, from places in parts of it. */
    public static function in(float $aspect, float $x, float $y): self
    {
        return new self($x * $aspect * Figure::UNITS, $y * Figure::UNITS);
    }

    public function distanceTo(self $other): float
    {
        return hypot($other->x - $this->x, $other->y - $this->y);
    }

    /** Where one is after some of so many even steps to another. */
    public function towards(self $other, float $step, int $steps = 1): self
    {
        return new self(
            $this->x + ($other->x - $this->x) * $step / $steps,
            $this->y + ($other->y - $this->y) * $step / $steps,
        );
    }
}
