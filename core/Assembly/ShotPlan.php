<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Mark\Mark;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Logo;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Take\TrackKind;
use OpenReel\Core\Time\TimeMap;

/** Cuts a segment into shots, at the frames on which its cues fall. */
final readonly class ShotPlan
{
    public function __construct(private FrameSize $frame, private ?Logo $logo, private string $ground)
    {
    }

    /**
     * @param  PictureChoice  $choice  what is seen when the passage begins
     * @param  list<PictureChange>  $changes  of its section, in order
     * @return array{non-empty-list<Shot>, PictureChoice} the shots, and what is seen at the end
     */
    public function of(PictureChoice $choice, array $changes, Passage $passage, TimeMap $map): array
    {
        $cuts = [0 => $choice];
        foreach ($this->timed($changes, $passage, $map) as [$frame, $then]) {
            $choice = $then;
            // What comes up behind the passage is seen from the next one on.
            if ($frame < $map->frames) {
                $cuts[$frame] = $then;
            }
        }
        $shots = [];
        $starts = array_keys($cuts);
        foreach ($starts as $i => $start) {
            $until = $starts[$i + 1] ?? $map->frames;
            $shots[] = new Shot($start, $until - $start, $this->picture($cuts[$start], $passage, $map, $start, $until));
        }

        return [$shots, $choice];
    }

    public function card(CardSource $card, int $frames): Shot
    {
        return new Shot(0, $frames, $this->still(new PictureChoice(Layout::SlideAlone, slide: $card->picture)));
    }

    /**
     * @param  list<PictureChange>  $changes
     * @return list<array{int, PictureChoice}> frame and what is seen from it on, in order
     */
    private function timed(array $changes, Passage $passage, TimeMap $map): array
    {
        $timed = [];
        $last = 0;
        foreach ($changes as $change) {
            $at =
                $passage->lines !== [] && ! in_array($change->line, $passage->lines, true)
                    ? null
                    : $passage->take->at($change->line, $change->within);
            if ($at !== null) {
                $frame = $at->isBefore($passage->span->until) ? $map->frameOf($at) : $map->frames;
                // A cue never takes effect before the one it follows.
                $timed[] = [($last = max($last, $frame)), $change->then];
            }
        }

        return $timed;
    }

    private function picture(PictureChoice $choice, Passage $passage, TimeMap $map, int $from, int $until): Picture
    {
        $track = $passage->take->track(TrackKind::Camera);
        $camera = null;
        if ($track?->shape !== null) {
            $at = $map->timeOf($from);
            $colour = $track->colour ?? SourceColour::told(null, null, $track->shape->height);
            $camera = new TrackAt(
                TrackKind::Camera,
                $track->shape,
                $track->hash,
                $colour,
                $at->minusOrZero($track->offset),
                $track->offset->minusOrZero($at),
            );
        }

        return Picture::of(
            $this->frame,
            $choice->layout,
            $choice->inset,
            $choice->slide,
            $camera,
            $this->logo,
            $this->ground,
            self::marks($passage, $map, $from, $until),
        );
    }

    private function still(PictureChoice $choice): Picture
    {
        return Picture::of($this->frame, $choice->layout, $choice->inset, $choice->slide, null, $this->logo, $this->ground);
    }

    /** @return list<Mark> what is drawn while the shot is seen */
    private static function marks(Passage $passage, TimeMap $map, int $from, int $until): array
    {
        $marks = [];
        foreach ($passage->take->marks as $mark) {
            $first = max($from, $map->frameOf($mark->seen->from));
            $behind = min($until, $map->frameOf($mark->seen->until));
            if (
                $first < $behind &&
                $mark->seen->from->isBefore($passage->span->until) &&
                $passage->span->from->isBefore($mark->seen->until)
            ) {
                $marks[] = new Mark($mark->box, $first - $from, $behind - $from);
            }
        }

        return $marks;
    }
}
