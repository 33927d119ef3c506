<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;

/** A stroke of the pen, seen growing as it was drawn. */
final readonly class Stroke implements Drawing
{
    /** More points than a hand draws in one stroke: what comes behind them is left out. */
    public const MOST_POINTS = 20_000;

    /** It grows in steps of at least so many milliseconds, two frames at 30 a second, */
    private const STEP_MS = 66;

    /** and in so many steps at most. */
    private const MOST_STEPS = 60;

    /**
     * @param  non-empty-list<TimedPoint>  $points  counted from where the stroke began, rising
     * @param  string  $colour  RRGGBB
     */
    public function __construct(public Tool $tool, public string $colour, public bool $isThick, public array $points)
    {
    }

    /**
     * @param  array<string, mixed>  $data  as `toArray` gives it
     * @return self|null null when it says no stroke; points that are no places are passed over, places outside the picture are
     *    brought to its edge
     */
    public static function parse(array $data): ?self
    {
        $tool = is_string($data['tool'] ?? null) ? Tool::tryFrom($data['tool']) : null;
        $colour = Colours::parse($data['colour'] ?? null);
        if ($tool === null || $colour === null || ! is_array($data['points'] ?? null)) {
            return null;
        }
        $points = PointList::parse(array_slice($data['points'], 0, self::MOST_POINTS));

        return $points === [] ? null : new self($tool, $colour, ($data['width'] ?? 'thin') === 'thick', $points);
    }

    public function marks(Span $seen, TimeMap $map, float $aspect): array
    {
        $dots = $this->dots($aspect);
        $drawn = InkOutline::drawn($dots);
        $until = $map->frameOf($seen->until);
        $marks = [];
        $all = [];
        foreach ($this->steps($drawn, $dots) as $ms => $polygons) {
            array_push($all, ...$polygons);
            $from = $map->frameOf($seen->from->plus(Tick::ofMilliseconds($ms)));
            $before = $marks[count($marks) - 1] ?? null;
            if ($this->tool->opacity() < 1.0 && $before !== null) {
                // What lets through what lies below would do so twice: each step takes the place of the one before.
                array_pop($marks);
                $marks[] = new Annotation($before->figure, $before->from, min($from, $until));
            }
            $shape = $this->tool->opacity() < 1.0 ? $all : $polygons;
            $marks[] = new Annotation(new Outline($shape, $this->colour, $this->tool->opacity()), $from, $until);
        }

        return $marks;
    }

    /** All of it, as it stands once it has been drawn. */
    public function whole(float $aspect): Outline
    {
        return new Outline(InkOutline::of($this->dots($aspect)), $this->colour, $this->tool->opacity());
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => 'stroke',
            'tool' => $this->tool->value,
            'colour' => $this->colour,
            'width' => $this->isThick ? 'thick' : 'thin',
            'points' => array_map(fn (TimedPoint $p): array => [$p->ms, $p->x, $p->y, $p->pressure], $this->points),
        ];
    }

    /**
     * The shapes that are added at each step.
     *
     * @param  list<int>  $drawn  indexes of dots
     * @param  list<PenDot>  $dots
     * @return array<int, list<list<int>>> by milliseconds since the stroke began, rising
     */
    private function steps(array $drawn, array $dots): array
    {
        if (count($drawn) === 1) {
            return [0 => [InkOutline::between($dots[$drawn[0]], $dots[$drawn[0]])]];
        }
        $length = $this->points[count($this->points) - 1]->ms;
        $step = max(self::STEP_MS, (int) ceil($length / self::MOST_STEPS));
        $steps = [];
        for ($i = 1; $i < count($drawn); $i++) {
            $at = min($length, $step * (int) ceil($this->points[$drawn[$i]]->ms / $step));
            $steps[$at][] = InkOutline::between($dots[$drawn[$i - 1]], $dots[$drawn[$i]]);
        }

        return $steps;
    }

    /** @return non-empty-list<PenDot> one for each point */
    private function dots(float $aspect): array
    {
        return array_map(
            fn (TimedPoint $p): PenDot => new PenDot(
                (int) floor($p->x * $aspect * Figure::UNITS + 0.5),
                (int) floor($p->y * Figure::UNITS + 0.5),
                $this->tool->radius($this->isThick, $p->pressure),
            ),
            $this->points,
        );
    }
}
