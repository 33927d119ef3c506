<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Emphasis;

/** What is laid over the stage in a passage, on its frames. */
final class EmphasisPlan
{
    /**
     * @param  float  $aspect  width of the stage's picture, in parts of its height
     * @return list<Annotation> on one surface, in the order of the script
     */
    public static function of(PassageView $view, string $surface, float $aspect): array
    {
        $marks = [];
        foreach (self::shown($view, $surface) as $one) {
            if ($one->what instanceof Emphasis) {
                array_push($marks, ...self::drawn($one->what, $one, $aspect, self::drawnFrames($one, $view)));
            }
        }

        return $marks;
    }

    /**
     * @param  int  $drawn  frames in which it is drawn on
     * @return list<Annotation> one for each of these, and one for when it is
     */
    private static function drawn(Emphasis $what, EmphasisAt $at, float $aspect, int $drawn): array
    {
        $marks = [];
        for ($n = 0; $n < min($drawn, $at->until - $at->from); $n++) {
            $marks[] = new Annotation($what->figure($aspect, ($n + 1) / ($drawn + 1)), $at->from + $n, $at->from + $n + 1);
        }
        $stands = $at->from + $drawn;

        return $stands < $at->until ? [...$marks, new Annotation($what->figure($aspect), $stands, $at->until)] : $marks;
    }

    /** @return list<int> frames on which something is laid over the stage, is drawn on whole, or goes */
    public static function changes(PassageView $view): array
    {
        $frames = [];
        foreach (self::shown($view, null) as $one) {
            array_push($frames, $one->from, min($one->from + self::drawnFrames($one, $view), $one->until), $one->until);
        }

        return $frames;
    }

    /** @return int frames in which it is drawn on */
    private static function drawnFrames(EmphasisAt $one, PassageView $view): int
    {
        $what = $one->what;

        return $what instanceof Emphasis ? $view->frameAfter($one->from, $what->look->drawnMs) - $one->from : 0;
    }

    /** @return list<EmphasisAt> labels and pictures that are laid over one surface */
    public static function laid(PassageView $view, string $surface): array
    {
        return array_values(array_filter(self::shown($view, $surface), fn (EmphasisAt $e): bool => $e->what instanceof Overlay));
    }

    /**
     * @param  string|null  $surface  null for all
     * @return list<EmphasisAt> in the order of the script
     */
    private static function shown(PassageView $view, ?string $surface): array
    {
        if ($view->section->emphases === []) {
            return [];
        }
        [$passage, $map] = [$view->passage, $view->map];
        $timeline = $view->section->timeline();
        $found = [];
        foreach ($view->section->emphases as $shown) {
            $from = $surface === null || $shown->surface === $surface ? $timeline->frameIn($passage, $map, $shown->from) : null;
            $until = $shown->until === null ? $map->frames : $timeline->frameIn($passage, $map, $shown->until) ?? $map->frames;
            if ($from !== null && $shown->milliseconds !== null) {
                // What was laid over an earlier passage for a moment is gone.
                $until = $timeline->comesBy($passage, $shown->from)
                    ? min($until, $view->frameAfter($from, $shown->milliseconds))
                    : 0;
            }
            if ($from !== null && $from < $until) {
                $found[] = new EmphasisAt($from, $until, $shown->emphasis);
            }
        }

        return $found;
    }
}
