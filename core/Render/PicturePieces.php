<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Kernel\FrameRate;

/** The pieces of picture that a film is joined from, in order: shots, and joins that are no cuts. */
final class PicturePieces
{
    /** @return list<ShotSpec|TransitionSpec> together as long as the film */
    public static function of(Assembly $assembly, FilmQuality $quality = FilmQuality::Balanced): array
    {
        return array_merge([], ...self::bySegment($assembly, $quality));
    }

    /** @return list<list<ShotSpec|TransitionSpec>> by segment; the join behind one is its last */
    public static function bySegment(Assembly $assembly, FilmQuality $quality = FilmQuality::Balanced): array
    {
        $pieces = [];
        foreach ($assembly->segments as $i => $segment) {
            $next = $assembly->segments[$i + 1] ?? null;
            $head = $segment->join->takenAfter();
            $tail = $next?->join->takenBefore() ?? 0;
            $own = self::cut($segment, $assembly->rate, $quality, $head, $segment->frames - $head - $tail);
            $own = $i === 0 ? self::fadedIn($own, $assembly->fadeIn) : $own;
            $own = $next === null ? self::fadedOut($own, $assembly->fadeOut) : $own;
            if ($next !== null && $next->join->frames > 0) {
                $own[] = self::join($segment, $next, $assembly->rate, $quality);
            }
            $pieces[] = $own;
        }

        return $pieces;
    }

    /**
     * @param  list<ShotSpec>  $shots
     * @return list<ShotSpec> with the film's beginning as a piece of its own
     */
    private static function fadedIn(array $shots, int $frames): array
    {
        $first = $shots[0] ?? null;

        return $first === null || $frames === 0 || $frames >= $first->frames ? $shots : [
            $first->part(0, $frames)->fading('in'),
            $first->part($frames, $first->frames - $frames),
            ...array_slice($shots, 1),
        ];
    }

    /**
     * @param  list<ShotSpec>  $shots
     * @return list<ShotSpec> with the film's end as a piece of its own
     */
    private static function fadedOut(array $shots, int $frames): array
    {
        $last = $shots[count($shots) - 1] ?? null;
        $rest = ($last->frames ?? 0) - $frames;

        return $last === null || $frames === 0 || $rest < 1 ? $shots : [
            ...array_slice($shots, 0, -1),
            $last->part(0, $rest),
            $last->part($rest, $frames)->fading('out'),
        ];
    }

    private static function join(Segment $before, Segment $after, FrameRate $rate, FilmQuality $quality): TransitionSpec
    {
        $join = $after->join;
        $taken = $join->takenBefore();
        $ends = self::cut($before, $rate, $quality, $before->frames - $taken, $taken);
        $begins = self::cut($after, $rate, $quality, 0, $join->takenAfter());

        return $ends === [] || $begins === []
            ? throw RenderError::emptyJoin($after->startFrame)
            : new TransitionSpec($join, $ends, $begins);
    }

    /** @return list<ShotSpec> some frames of a segment */
    private static function cut(Segment $segment, FrameRate $rate, FilmQuality $quality, int $from, int $frames): array
    {
        $specs = [];
        foreach ($segment->shots as $shot) {
            $start = max($from, $shot->offset);
            $until = min($from + $frames, $shot->offset + $shot->frames);
            if ($start < $until) {
                $specs[] = ShotSpec::of($shot, $rate, $quality)->part($start - $shot->offset, $until - $start);
            }
        }

        return $specs;
    }
}
