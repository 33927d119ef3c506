<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\TimeMap;

/** A box drawn round something, in parts of the picture it belongs to (0..1), so that it stays right at any size. */
final readonly class Box implements Drawing, Figure
{
    /** Widths of the line, in parts of the picture's shorter side. */
    public const WIDTH = 0.008;

    /** @param  string  $colour  RRGGBB */
    public function __construct(
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public string $colour = '0B5D66',
    ) {
    }

    /**
     * @param  array<string, mixed>  $data  as `toArray` gives it
     * @return self|null null when it says no box; one that reaches out of the picture is cut off at its edges
     */
    public static function parse(array $data): ?self
    {
        foreach (['x', 'y', 'width', 'height'] as $side) {
            if (! is_int($data[$side] ?? null) && ! is_float($data[$side] ?? null)) {
                return null;
            }
        }
        $colour = $data['colour'] ?? '0B5D66';
        if (! is_string($colour) || preg_match('/^[0-9A-F]{6}$/iD', $colour) !== 1) {
            return null;
        }
        [$x, $y] = [max(0.0, (float) $data['x']), max(0.0, (float) $data['y'])];
        [$right, $bottom] = [min(1.0, $data['x'] + $data['width']), min(1.0, $data['y'] + $data['height'])];

        return $right > $x && $bottom > $y
            ? new self(round($x, 5), round($y, 5), round($right - $x, 5), round($bottom - $y, 5), strtoupper($colour))
            : null;
    }

    public function marks(Span $seen, TimeMap $map, float $aspect): array
    {
        return [new Annotation($this, $map->frameOf($seen->from), $map->frameOf($seen->until))];
    }

    public function part(float $from, float $until): self
    {
        return $this;
    }

    /** @return array{kind: string, x: float, y: float, width: float, height: float, colour: string} */
    public function toArray(): array
    {
        return ['kind' => 'box', 'x' => $this->x, 'y' => $this->y, 'width' => $this->width, 'height' => $this->height,
            'colour' => $this->colour];
    }
}
