<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;

/** What is laid over the stage in a passage, on its frames. */
final class EmphasisPlan
{
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
        return self::frameAfter($from, $what->look->drawnMs, $map) - $from;
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
        $timeline = $section->timeline();
        $found = [];
        foreach ($section->emphases as $shown) {
            $from = $surface === null || $shown->surface === $surface ? $timeline->frameIn($passage, $map, ...$shown->from) : null;
            $until = $shown->until === null ? $map->frames : $timeline->frameIn($passage, $map, ...$shown->until) ?? $map->frames;
            if ($from !== null && $shown->milliseconds !== null) {
                // What was laid over an earlier passage for a moment is gone.
                $until = $timeline->comesBy($passage, ...$shown->from)
                    ? min($until, self::frameAfter($from, $shown->milliseconds, $map))
                    : 0;
            }
            if ($from !== null && $from < $until) {
                $found[] = [$from, $until, $shown->emphasis];
            }
        }

        return $found;
    }

    private static function frameAfter(int $frame, int $milliseconds, TimeMap $map): int
    {
        return $map->frameOf($map->timeOf($frame)->plus(Tick::ofMilliseconds($milliseconds)));
    }
}
