<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\StageKind;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\Zoom;

/** Cuts a segment into shots, at the frames on which its cues fall. */
final readonly class ShotPlan
{
    /** A presenter who is seen so much larger does not seem to jump: 8 %. */
    private const CLOSER = 1 / 1.08;

    /** Where the eyes are, of what is left free above and below: they stay where they were. */
    private const EYES = 0.35;

    public function __construct(private FrameSize $frame, private FrameRate $rate, private FilmStyle $look)
    {
    }

    /**
     * @param  ShotStyle  $choice  what is seen when the passage begins
     * @param  BoardPages  $boards  what stands on the board when the passage begins
     * @param  bool  $isCloser  the presenter is framed a little closer, where the film hides jumps
     * @param  int  $staged  frames for which its stage has been seen before the passage begins
     * @return array{non-empty-list<Shot>, ShotStyle, int} the shots, what is seen at the end, and for how many frames its
     *    stage has been seen then
     */
    public function of(
        ShotStyle $choice,
        SectionInput $section,
        Passage $passage,
        TimeMap $map,
        BoardPages $boards,
        bool $isCloser = false,
        int $staged = 0,
    ): array {
        $isCloser = $isCloser && $this->look->hidesJumps;
        $cuts = [0 => $choice];
        $begins = [0 => -$staged];
        $begun = -$staged;
        $before = $ways = $moves = [];
        foreach ($this->timed($section, $passage, $map) as [$frame, $then]) {
            if ($then == $choice) {
                // It says what is seen anyway.
                continue;
            }
            $begun = $then->stage?->surface() === $choice->stage?->surface() ? $begun : $frame;
            // What comes up behind the passage is seen from the next one on.
            if ($frame < $map->frames) {
                $cuts[$frame] = $then;
                $begins[$frame] = $begun;
                $before[$frame] ??= $choice;
                $now = self::onTheWay($frame, $before[$frame]->zoom, $cuts, $ways);
                $ways[$frame] = self::way($before[$frame], $then, $frame, $map, $now);
                $moves[$frame] = self::moving($before[$frame], $then, $frame, $map);
                if ($ways[$frame][1] > 0 && $moves[$frame] > 0) {
                    // What is zoomed and moved at once arrives at once.
                    $ways[$frame][1] = $moves[$frame] = max($ways[$frame][1], $moves[$frame]);
                }
            }
            $choice = $then;
        }
        $overlays = $this->overlays($section, $passage, $map);
        $starts = [...array_keys($cuts), ...$map->changes()];
        foreach ($ways as $frame => [, $frames]) {
            foreach ([$frames, $moves[$frame]] as $length) {
                // Once there it stands, and a piece of it is made for itself.
                $isCutOff = self::before($frame + $length, $cuts) > $frame;
                array_push($starts, ...$length > 0 && $frame + $length < $map->frames && ! $isCutOff ? [$frame + $length] : []);
            }
        }
        foreach ($overlays as [$from, $until]) {
            array_push($starts, $from, ...$until < $map->frames ? [$until] : []);
        }
        foreach (EmphasisPlan::changes($section, $passage, $map) as $frame) {
            // What stands is put together once, and a piece of it is made for itself.
            array_push($starts, ...$frame < $map->frames ? [$frame] : []);
        }
        $starts = array_values(array_unique($starts));
        sort($starts);
        $shots = [];
        $seen = $cuts[0];
        $since = 0;
        foreach ($starts as $i => $start) {
            $until = $starts[$i + 1] ?? $map->frames;
            $since = isset($cuts[$start]) ? $start : $since;
            $seen = $cuts[$since];
            $zoom = self::zoom($seen, $ways[$since] ?? [null, 0], $start - $since);
            $see = fn (ShotStyle $choice, Zoom $zoom, int $at): Picture => $this->picture(
                $choice, $zoom, $section, $passage, $map, $boards, $start, $until, $isCloser, $start - $begins[$at],
            );
            $picture = $see($seen, $zoom, $since);
            if ($start - $since < ($moves[$since] ?? 0)) {
                $picture = LayoutMove::of(
                    $this->leaving($since, $cuts, $before, $moves, $see), $picture, $moves[$since], $start - $since,
                );
            }
            foreach ($overlays as [$from, $behind, $layer]) {
                $picture = $from <= $start && $start < $behind ? $picture->under($layer) : $picture;
            }
            if ($passage->take->content->isDraft && $this->look->draftMark !== null) {
                $picture = $picture->under($this->look->draftMark);
            }
            $shots[] = new Shot($start, $until - $start, $picture);
        }

        return [$shots, $choice, max(0, $map->frames - $begun)];
    }

    /**
     * What a move sets out from: where another one has not come to its end, as far as that has gone.
     *
     * @param  array<int, ShotStyle>  $cuts  what is seen from each frame on
     * @param  array<int, ShotStyle>  $before  what was seen before that
     * @param  array<int, int>  $moves  frames in which it gets there
     * @param  \Closure(ShotStyle, Zoom, int): Picture  $see
     */
    private function leaving(int $frame, array $cuts, array $before, array $moves, \Closure $see): Picture
    {
        $since = self::before($frame, $cuts);
        $was = $see($before[$frame], new Zoom($before[$frame]->zoom), $since);
        $done = $frame - $since;
        if ($done >= ($moves[$since] ?? 0)) {
            return $was;
        }
        $old = $before[$since];

        $earlier = $see($old, new Zoom($old->zoom), self::before($since, $cuts));

        return LayoutMove::of($earlier, $was, $moves[$since], $done);
    }

    /**
     * @param  array<int, ShotStyle>  $cuts
     * @return int the last frame before one on which something else came up
     */
    private static function before(int $frame, array $cuts): int
    {
        $before = array_filter(array_keys($cuts), fn (int $at): bool => $at < $frame);

        return $before === [] ? $frame : max($before);
    }

    /**
     * How the stage comes to what is seen of it then.
     *
     * @param  array{Crop|null, int}  $now  the part that is seen of it before, and for how many frames that is on its way still
     * @return array{Crop|null, int} the part that is seen before, and for how many frames it is on its way
     */
    private static function way(ShotStyle $before, ShotStyle $then, int $frame, TimeMap $map, array $now): array
    {
        // What is another stage is there at once.
        $isSame = $before->stage?->surface() === $then->stage?->surface();
        if (! $isSame || $before->zoom != $then->zoom && $then->zoomMs === 0) {
            return [null, 0];
        }
        [$part, $left] = $now;
        if ($before->zoom == $then->zoom) {
            // Something else changes meanwhile.
            return $left > 0 ? $now : [null, 0];
        }
        $there = $map->timeOf($frame)->plus(Tick::ofMilliseconds($then->zoomMs));

        return [$part, max(1, $map->frameOf($there) - $frame)];
    }

    /**
     * The part of the stage that is seen on a frame: one that is on its way to another may be sent elsewhere.
     *
     * @param  Crop|null  $to  where it would be
     * @param  array<int, ShotStyle>  $cuts  what is seen from each frame on
     * @param  array<int, array{Crop|null, int}>  $ways  how it gets there
     * @return array{Crop|null, int} and for how many frames it is on its way still
     */
    private static function onTheWay(int $frame, ?Crop $to, array $cuts, array $ways): array
    {
        $since = self::before($frame, $cuts);
        [$from, $frames] = $ways[$since] ?? [null, 0];
        $done = $frame - $since;
        $whole = Crop::whole();

        return $done >= $frames
            ? [$to, 0]
            : [($from ?? $whole)->towards($to ?? $whole, Ease::Soft->at($done / $frames)), $frames - $done];
    }

    /** @return int frames that the way to another layout takes; 0 when it is there at once */
    private static function moving(ShotStyle $before, ShotStyle $then, int $frame, TimeMap $map): int
    {
        $isMove = $then->moveMs > 0 && ($before->layout !== $then->layout || $before->inset != $then->inset);

        return $isMove ? max(1, $map->frameOf($map->timeOf($frame)->plus(Tick::ofMilliseconds($then->moveMs))) - $frame) : 0;
    }

    /**
     * @param  array{Crop|null, int}  $way  as of `way`
     * @param  int  $done  frames of it that have gone
     */
    private static function zoom(ShotStyle $seen, array $way, int $done): Zoom
    {
        [$from, $frames] = $way;
        if ($done >= $frames) {
            return new Zoom($seen->zoom);
        }
        $whole = Crop::whole();
        $now = ($from ?? $whole)->towards($seen->zoom ?? $whole, Ease::Soft->at($done / $frames));

        return new Zoom($seen->zoom, $frames - $done, $done === 0 ? $from : $now);
    }

    /** @return non-empty-list<Shot> one, or one a second where it counts */
    public function card(CardSource $card, int $frames): array
    {
        $shot = fn (Still $picture, int $from, int $until): Shot => new Shot(
            $from,
            $until - $from,
            Picture::of($this->frame, Layout::SlideAlone, new Inset(), $picture, null, $this->look->logo, $this->look->ground),
        );
        $shots = [];
        foreach ($card->counting as $second => $picture) {
            $from = $second * $this->rate->fps;
            $isLast = $second === count($card->counting) - 1;
            if ($from < $frames) {
                $shots[] = $shot($picture, $from, $isLast ? $frames : min($frames, $from + $this->rate->fps));
            }
        }

        return $shots === [] ? [$shot($card->picture, 0, $frames)] : $shots;
    }

    /** @return list<array{int, ShotStyle}> frame and what is seen from it on, in order */
    private function timed(SectionInput $section, Passage $passage, TimeMap $map): array
    {
        $timed = [];
        $last = 0;
        $timeline = $section->timeline();
        foreach ($section->changes as $change) {
            $at = $timeline->momentIn($passage, $change->line, $change->within);
            if ($at !== null) {
                $frame = $at->isBefore($passage->span->until) ? $map->frameOf($at) : $map->frames;
                // A cue never takes effect before the one it follows.
                $timed[] = [($last = max($last, $frame)), $change->then];
            }
        }

        return $timed;
    }

    /** @return list<array{int, int, Layer}> first frame, the frame behind the last, and what is shown */
    private function overlays(SectionInput $section, Passage $passage, TimeMap $map): array
    {
        $timed = [];
        $timeline = $section->timeline();
        foreach ($section->overlays as $shown) {
            $at = $timeline->momentIn($passage, $shown->line, $shown->within);
            if ($at !== null && $at->isBefore($passage->span->until)) {
                $from = $map->frameOf($at);
                $until = max($from + 1, $map->frameOf($at->plus(Tick::ofMilliseconds($shown->milliseconds))));
                $timed[] = [$from, $until, $shown->layer];
            }
        }

        return $timed;
    }

    private function picture(
        ShotStyle $choice,
        Zoom $zoom,
        SectionInput $section,
        Passage $passage,
        TimeMap $map,
        BoardPages $boards,
        int $from,
        int $until,
        bool $isCloser,
        int $staged,
    ): Picture {
        $take = $passage->take;
        $framing = $isCloser ? self::closer($take->content->framing) : $take->content->framing;
        $camera = $this->track($passage, TrackKind::Camera, $map, $from, $framing);
        [$still, $film] = [$choice->stage?->still, $choice->stage?->film];
        $stage = match (true) {
            $choice->stage?->kind === StageKind::Screen => $this->track($passage, TrackKind::Screen, $map, $from, $take->content->area),
            $film !== null && $still !== null => TrackAt::film($film, $still, Tick::ofFrames($staged, $this->rate)),
            default => $still,
        };
        $seen = fn (Annotation ...$marks): Picture => Picture::of(
            $this->frame,
            $choice->layout,
            $choice->inset,
            $stage,
            $camera,
            $this->look->logo,
            $this->look->ground,
            array_values($marks),
            $zoom,
            $choice->backdrop,
        );
        $bare = $seen();
        $rect = $choice->stage === null || $stage === null ? null : $bare->stageRect();
        if ($rect === null || $choice->stage === null) {
            return $bare;
        }
        $aspect = $rect->width / $rect->height;
        $marks = [
            ...self::marks($choice->stage, $passage, $map, $boards, $aspect),
            ...EmphasisPlan::of($section, $passage, $map, $choice->stage->surface(), $aspect),
        ];
        $marks = array_values(array_filter(array_map(fn (Annotation $m): ?Annotation => $m->within($from, $until), $marks)));

        $picture = $marks === [] ? $bare : $seen(...$marks);
        $laid = [];
        foreach (EmphasisPlan::laid($section, $passage, $map, $choice->stage->surface()) as [$begins, $ends, $what]) {
            $laid[] = $begins <= $from && $from < $ends ? $what->layer($rect, $zoom) : null;
        }

        return $picture->overStage(...array_filter($laid));
    }

    private static function closer(?Crop $framing): Crop
    {
        $free = 1 - self::CLOSER;

        return ($framing ?? Crop::whole())->part(new Crop($free / 2, $free * self::EYES, self::CLOSER, self::CLOSER));
    }

    private function track(Passage $passage, TrackKind $kind, TimeMap $map, int $frame, ?Crop $part): ?TrackAt
    {
        $track = $passage->take->track($kind);
        $at = $map->timeOf($frame);

        return $track?->shape === null
            ? null
            : new TrackAt(
                $kind,
                $track->shape,
                $track->hash,
                $track->colour ?? SourceColour::tagged(null, null, $track->shape->height),
                Tick::of(max(0, $track->fileAt($at))),
                Tick::of(max(0, -$track->fileAt($at))),
                $part,
                $kind === TrackKind::Camera ? $passage->take->content->adjustment : null,
                intdiv($map->stepAt($frame), $this->rate->ticksPerFrame()),
            );
    }

    /** @return list<Annotation> what is drawn over a stage in a passage, bottom to top; frames counted in the passage */
    private static function marks(Stage $stage, Passage $passage, TimeMap $map, BoardPages $boards, float $aspect): array
    {
        $surface = $stage->surface();
        $wiped = $map->frames;
        foreach ($passage->take->content->erasures as $wipe) {
            if ($wipe->on === $surface) {
                $wiped = min($wiped, $map->frameOf($wipe->at));
            }
        }
        $marks = array_map(
            fn (Stroke $s): Annotation => new Annotation($s->whole($aspect), 0, $wiped),
            $boards->on($surface, $passage->take->id),
        );
        foreach ($passage->take->content->annotations as $mark) {
            if (
                $mark->isOn($surface) &&
                $mark->seen->from->isBefore($passage->span->until) &&
                $passage->span->from->isBefore($mark->seen->until)
            ) {
                array_push($marks, ...$mark->drawing->marks($mark->seen, $map, $aspect));
            }
        }

        return $marks;
    }
}
