<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Sound\MusicTrack;

/** From which frame to which music is heard. It holds through sections, until another cue or the film's end. */
final class MusicPlan
{
    /**
     * @param  list<Segment>  $segments  of the film
     * @param  list<SectionInput>  $sections  in lesson order
     * @return list<MusicSpan> in the order in which they begin
     */
    public static function of(array $segments, array $sections, FrameRate $rate): array
    {
        $last = end($segments);
        $end = $last === false ? 0 : $last->endFrame();
        $music = [];
        $timed = self::timed($segments, $sections, $end);
        foreach ($timed as $n => $one) {
            $cued = $one->cued;
            if ($cued->bed !== null) {
                // It goes once the next cue is reached, or so that it has gone when the film ends.
                $next = $timed[$n + 1] ?? null;
                $out = $rate->frames($next?->cued->cue->endsInMs ?? $cued->cue->fadeOutMs);
                $until = min($end, ($next->frame ?? $end) + $out);
                $music[] = self::stretch($cued->bed, $cued->cue, $one->frame, $until, $out, $rate);
            }
        }
        $music = [...$music, ...self::sounds($segments, $sections, $rate)];

        return array_values(array_filter($music, fn (MusicSpan $m): bool => $m->until > $m->from));
    }

    /**
     * What is heard where sections begin.
     *
     * @param  list<Segment>  $segments
     * @param  list<SectionInput>  $sections
     * @return list<MusicSpan>
     */
    private static function sounds(array $segments, array $sections, FrameRate $rate): array
    {
        $sound = [];
        foreach ($sections as $section) {
            $sound[$section->id] = $section->sound;
        }
        $last = end($segments);
        $music = [];
        foreach ($segments as $segment) {
            $bed = $segment->opens ? $sound[$segment->sectionId] ?? null : null;
            if ($bed !== null && $last !== false) {
                $until = min($last->endFrame(), $segment->startFrame + intdiv($bed->samples, $rate->ticksPerFrame()));
                $music[] = new MusicSpan($bed, $segment->startFrame, $until, loops: false, ducks: false);
            }
        }

        return $music;
    }

    /**
     * @param  list<Segment>  $segments
     * @param  list<SectionInput>  $sections
     * @return list<TimedMusicCue> in order
     */
    private static function timed(array $segments, array $sections, int $end): array
    {
        $own = [];
        foreach ($segments as $segment) {
            $own[$segment->sectionId][] = $segment;
        }
        $ends = [];
        foreach (array_reverse($sections) as $section) {
            $ends[$section->id] = $end;
            $end = ($own[$section->id][0] ?? null)->startFrame ?? $end;
        }
        $timed = [];
        $reached = 0;
        foreach ($sections as $section) {
            [$timeline, $heard] = [$section->timeline(), $own[$section->id] ?? []];
            foreach ($section->music as $cued) {
                // A cue never takes effect before the one it follows.
                $reached = max($reached, $timeline->filmFrame($heard, $cued->place, $ends[$section->id]));
                $timed[] = new TimedMusicCue($reached, $cued);
            }
        }

        return $timed;
    }

    /** @param  int  $out  frames in which it goes */
    private static function stretch(MusicTrack $bed, MusicCue $cue, int $from, int $until, int $out, FrameRate $rate): MusicSpan
    {
        if (! $cue->loops) {
            $until = min($until, $from + intdiv($bed->samples, $rate->ticksPerFrame()));
        }

        return new MusicSpan($bed, $from, $until, $cue->level, $rate->frames($cue->fadeInMs), $out, $cue->loops);
    }
}
