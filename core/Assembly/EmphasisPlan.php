<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;

/** What is laid over the stage in a passage, on its frames. */
final readonly class EmphasisPlan
{
    /** @param  array<string, int>  $lines  index in the section by id */
    private function __construct(private array $lines, private Passage $passage, private TimeMap $map)
    {
    }

    /**
     * @param  float  $aspect  width of the stage's picture, in parts of its height
     * @return list<Annotation> on one surface, in the order of the script
     */
    public static function of(SectionInput $section, Passage $passage, TimeMap $map, string $surface, float $aspect): array
    {
        $marks = [];
        foreach (self::shown($section, $passage, $map, $surface) as [$from, $until, $what]) {
            if ($what instanceof Emphasis) {
                array_push($marks, ...self::drawn($what, $aspect, $from, $until, $map));
            }
        }

        return $marks;
    }

    /** @return list<Annotation> one for each frame on which it is drawn on, and one for when it is */
    private static function drawn(Emphasis $what, float $aspect, int $from, int $until, TimeMap $map): array
    {
        $drawn = self::drawnFrames($what, $from, $map);
        $marks = [];
        for ($frame = 0; $frame < min($drawn, $until - $from); $frame++) {
            $marks[] = new Annotation($what->figure($aspect, ($frame + 1) / ($drawn + 1)), $from + $frame, $from + $frame + 1);
        }

        return $from + $drawn < $until ? [...$marks, new Annotation($what->figure($aspect), $from + $drawn, $until)] : $marks;
    }

    /** @return list<int> frames on which something is laid over the stage, is drawn on whole, or goes */
    public static function changes(SectionInput $section, Passage $passage, TimeMap $map): array
    {
        $frames = [];
        foreach (self::shown($section, $passage, $map, null) as [$from, $until, $what]) {
            $drawn = $what instanceof Emphasis ? self::drawnFrames($what, $from, $map) : 0;
            array_push($frames, $from, min($from + $drawn, $until), $until);
        }

        return $frames;
    }

    /** @return int frames in which it is drawn on */
    private static function drawnFrames(Emphasis $what, int $from, TimeMap $map): int
    {
        return self::later($from, $what->look->drawnMs, $map) - $from;
    }

    /**
     * @param  string|null  $surface  null for all
     * @return list<array{int, int, Overlay}> first frame, the frame behind the last, and what is laid over the stage
     */
    public static function laid(SectionInput $section, Passage $passage, TimeMap $map, ?string $surface): array
    {
        $laid = [];
        foreach (self::shown($section, $passage, $map, $surface) as [$from, $until, $what]) {
            if ($what instanceof Overlay) {
                $laid[] = [$from, $until, $what];
            }
        }

        return $laid;
    }

    /** @return list<array{int, int, Emphasis|Overlay}> */
    private static function shown(SectionInput $section, Passage $passage, TimeMap $map, ?string $surface): array
    {
        if ($section->emphases === []) {
            return [];
        }
        $plan = new self(array_flip($section->lines), $passage, $map);
        $places = $section->places();
        $found = [];
        foreach ($section->emphases as $shown) {
            $from = $surface === null || $shown->surface === $surface ? $plan->frame($shown->from) : null;
            $until = $shown->until === null ? $map->frames : $plan->frame($shown->until) ?? $map->frames;
            if ($from !== null && $shown->milliseconds !== null) {
                // What was laid over an earlier passage for a moment is gone.
                $until = $plan->isSpoken($places->atIndex($shown->from))
                    ? min($until, self::later($from, $shown->milliseconds, $map))
                    : 0;
            }
            if ($from !== null && $from < $until) {
                $found[] = [$from, $until, $shown->emphasis];
            }
        }

        return $found;
    }

    /**
     * @param  array{int, float}  $place
     * @return int|null 0 for a place that lies before the passage; null for one behind it
     */
    private function frame(array $place): ?int
    {
        $after = null;
        foreach ($this->passage->heard() as $n => $id) {
            $index = $this->lines[$id] ?? null;
            if ($index === $place[0]) {
                $at = $this->passage->take->at($id, $place[1]);

                return $at === null || ! $at->isBefore($this->passage->span->until) ? null : $this->map->frameOf($at);
            }
            if ($after === null && $index !== null && $index > $place[0]) {
                // The line itself is not spoken here: it takes effect with the next one that is.
                $at = $this->passage->take->at($id, 0.0);
                $after = $n === 0 || $at === null ? 0 : $this->map->frameOf($at);
            }
        }

        return $after;
    }

    /**
     * Whether a place comes by in the passage, and not before something was cut out of its line.
     *
     * @param  array{int, float}  $place
     */
    private function isSpoken(array $place): bool
    {
        foreach ($this->passage->heard() as $id) {
            if (($this->lines[$id] ?? null) === $place[0]) {
                $goesOn = in_array($id, $this->passage->goesOn, true);

                return ! $goesOn || ! ($this->passage->take->at($id, $place[1])?->isBefore($this->passage->span->from) ?? true);
            }
        }

        return false;
    }

    private static function later(int $frame, int $milliseconds, TimeMap $map): int
    {
        return $map->frameOf($map->timeOf($frame)->plus(Tick::ofMilliseconds($milliseconds)));
    }
}
