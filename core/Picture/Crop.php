<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A part of a picture, in parts of its sides (0..1). */
final readonly class Crop
{
    public function __construct(public float $x, public float $y, public float $width, public float $height)
    {
    }

    /** The smallest part of a side that can be meant. */
    public const LEAST = 0.05;

    /**
     * @param  mixed  $data  as `toArray` gives it
     * @return self|null null when it is no part of a picture, or all of it; what reaches out of the picture is cut off
     */
    public static function parse(mixed $data): ?self
    {
        $sides = [];
        foreach (['x', 'y', 'width', 'height'] as $name) {
            $side = is_array($data) ? $data[$name] ?? null : null;
            if (! is_int($side) && ! (is_float($side) && is_finite($side))) {
                return null;
            }
            $sides[] = (float) $side;
        }
        [$x, $y, $width, $height] = $sides;
        [$left, $top] = [max(0.0, $x), max(0.0, $y)];
        [$width, $height] = [min(1.0, $x + $width) - $left, min(1.0, $y + $height) - $top];
        $isWhole = $width >= 1.0 && $height >= 1.0;

        return $isWhole || $width < self::LEAST || $height < self::LEAST
            ? null
            : new self(round($left, 5), round($top, 5), round($width, 5), round($height, 5));
    }

    /** The largest part in its middle that has a shape, so that nothing has to be stretched or cut off later. */
    public function narrowed(Shape $whole, float $aspect): self
    {
        $ratio = $whole->aspect() * $this->width / $this->height / $aspect;
        [$width, $height] = $ratio > 1 ? [$this->width / $ratio, $this->height] : [$this->width, $this->height * $ratio];

        return new self(
            round($this->x + ($this->width - $width) / 2, 5),
            round($this->y + ($this->height - $height) / 2, 5),
            round($width, 5),
            round($height, 5),
        );
    }

    /** All of a picture, as a part of it. */
    public static function whole(): self
    {
        return new self(0.0, 0.0, 1.0, 1.0);
    }

    /** A part of this part, as a part of the whole picture. */
    public function part(self $of): self
    {
        return new self(
            round($this->x + $of->x * $this->width, 6),
            round($this->y + $of->y * $this->height, 6),
            round($of->width * $this->width, 6),
            round($of->height * $this->height, 6),
        );
    }

    /** The same part, as a part of an area of which it is a part. */
    public function within(?self $area): self
    {
        return $area === null ? $this : new self(
            round(($this->x - $area->x) / $area->width, 6),
            round(($this->y - $area->y) / $area->height, 6),
            round($this->width / $area->width, 6),
            round($this->height / $area->height, 6),
        );
    }

    /** On the way to another part: 0 is this one, 1 the other. */
    public function towards(self $other, float $done): self
    {
        $way = fn (float $from, float $to): float => round($from + ($to - $from) * $done, 5);

        return new self(
            $way($this->x, $other->x),
            $way($this->y, $other->y),
            $way($this->width, $other->width),
            $way($this->height, $other->height),
        );
    }

    /** The shape of what is left of a picture. */
    public function shape(Shape $whole): Shape
    {
        return Shape::of(max(1, (int) round($whole->width * $this->width)), max(1, (int) round($whole->height * $this->height)));
    }

    /** @return array{x: float, y: float, width: float, height: float} */
    public function toArray(): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'width' => $this->width, 'height' => $this->height];
    }
}
