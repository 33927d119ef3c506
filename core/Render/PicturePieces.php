<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Join;
use OpenReel\Core\Assembly\Segment;

/** The pieces of picture that a film is joined from, in order: shots, and joins that are no cuts. */
final class PicturePieces
{
    /** @return list<ShotSpec|JoinSpec> together as long as the film */
    public static function of(Assembly $assembly): array
    {
        $pieces = [];
        foreach ($assembly->segments as $i => $segment) {
            $next = $assembly->segments[$i + 1] ?? null;
            $head = $segment->join->takenAfter();
            $tail = $next?->join->takenBefore() ?? 0;
            array_push($pieces, ...self::cut($segment, $assembly, $head, $segment->frames - $head - $tail));
            if ($next !== null && $next->join->frames > 0) {
                $pieces[] = self::join($segment, $next, $next->join, $assembly);
            }
        }

        return $pieces;
    }

    private static function join(Segment $before, Segment $after, Join $join, Assembly $assembly): JoinSpec
    {
        $taken = $join->takenBefore();
        $ends = self::cut($before, $assembly, $before->frames - $taken, $taken);
        $begins = self::cut($after, $assembly, 0, $join->takenAfter());

        return $ends === [] || $begins === []
            ? throw RenderProblem::emptyJoin($after->startFrame)
            : new JoinSpec($join, $ends, $begins);
    }

    /** @return list<ShotSpec> some frames of a segment */
    private static function cut(Segment $segment, Assembly $assembly, int $from, int $frames): array
    {
        $specs = [];
        foreach ($segment->shots as $shot) {
            $start = max($from, $shot->offset);
            $until = min($from + $frames, $shot->offset + $shot->frames);
            if ($start < $until) {
                $specs[] = ShotSpec::of($shot, $assembly->rate)->part($start - $shot->offset, $until - $start);
            }
        }

        return $specs;
    }
}
