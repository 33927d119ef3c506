<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;

/** Where the pointer went: a ring that follows it, and fades when it stands still. */
final readonly class PointerPath implements Drawing
{
    /** The ring stays so long where the pointer stopped, */
    public const STAYS_MS = 1200;

    /** and then fades. */
    public const FADES_MS = 400;

    /** Points closer together than this in time belong to one movement. */
    private const TOGETHER_MS = 250;

    /** A point is left out where an even way between its neighbours passes so near, in parts of the picture. */
    private const NEAR = 0.002;

    /** @param  non-empty-list<TimedPoint>  $points  counted from the first, rising */
    public function __construct(public array $points, public string $colour)
    {
    }

    /** @param  array<string, mixed>  $data */
    public static function parse(array $data): ?self
    {
        $points = self::simple(PointList::parse(is_array($data['points'] ?? null) ? $data['points'] : []));

        return $points === [] ? null : new self($points, Colours::parse($data['colour'] ?? null) ?? Colours::DEFAULT);
    }

    public function marks(Span $seen, TimeMap $map, float $aspect): array
    {
        $at = fn (int $ms): int => $map->frameOf(Tick::earlier($seen->until, $seen->from->plus(Tick::ofMilliseconds($ms))));
        $marks = [];
        $ring = function (int $from, int $until, TimedPoint $a, TimedPoint $b, float $opacity = 1.0, float $to = 1.0) use (
            &$marks,
            $at,
        ): void {
            if ($at($from) < $at($until)) {
                $ring = new Ring($a->x, $a->y, $b->x, $b->y, $this->colour, $opacity, $to);
                $marks[] = new Annotation($ring, $at($from), $at($until));
            }
        };
        foreach ($this->points as $i => $point) {
            $next = $this->points[$i + 1] ?? null;
            $gap = $next === null ? PHP_INT_MAX : $next->ms - $point->ms;
            if ($next !== null && $gap <= self::TOGETHER_MS) {
                $ring($point->ms, $next->ms, $point, $next);

                continue;
            }
            $stays = min($gap, self::STAYS_MS);
            $ring($point->ms, $point->ms + $stays, $point, $point);
            if ($gap > $stays) {
                $fades = min($gap - $stays, self::FADES_MS);
                $ring($point->ms + $stays, $point->ms + $stays + $fades, $point, $point, 1.0, 1 - $fades / self::FADES_MS);
            }
        }

        return $marks;
    }

    /** How long it is seen. */
    public function lengthMs(): int
    {
        return $this->points[count($this->points) - 1]->ms + self::STAYS_MS + self::FADES_MS;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $points = array_map(fn (TimedPoint $p): array => [$p->ms, $p->x, $p->y], $this->points);

        return ['kind' => 'pointer', 'colour' => $this->colour, 'points' => $points];
    }

    /**
     * Leaves out what an even way between the points that are left tells as well.
     *
     * @param  list<TimedPoint>  $points
     * @return list<TimedPoint>
     */
    private static function simple(array $points): array
    {
        $kept = [];
        $anchor = 0;
        foreach ($points as $i => $point) {
            $next = $points[$i + 1] ?? null;
            if ($i === 0 || $next === null || ! self::isOnTheWay($points, $anchor, $i)) {
                $kept[] = $point;
                $anchor = $i;
            }
        }

        return $kept;
    }

    /**
     * Whether all between two points, the second one's neighbour being the third, lie on an even way to it.
     *
     * @param  list<TimedPoint>  $points
     */
    private static function isOnTheWay(array $points, int $from, int $at): bool
    {
        [$a, $b] = [$points[$from], $points[$at + 1]];
        if ($b->ms - $a->ms > self::TOGETHER_MS || $b->ms === $a->ms) {
            return false;
        }
        for ($i = $from + 1; $i <= $at; $i++) {
            $point = $points[$i];
            $part = ($point->ms - $a->ms) / ($b->ms - $a->ms);
            if (
                abs($a->x + ($b->x - $a->x) * $part - $point->x) > self::NEAR
                || abs($a->y + ($b->y - $a->y) * $part - $point->y) > self::NEAR
            ) {
                return false;
            }
        }

        return true;
    }
}
