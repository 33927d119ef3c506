<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\StageKind;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\Zoom;

/** Puts together what is seen on some frames of a passage: stage, camera, what is drawn and what is laid over the stage. */
final readonly class PassagePictures
{
    /** A presenter who is seen so much larger does not seem to jump: 8 %. */
    private const CLOSER = 1 / 1.08;

    /** Where the eyes are, of what is left free above and below: they stay where they were. */
    private const EYES = 0.35;

    public function __construct(
        private FrameSize $frame,
        private FrameRate $rate,
        private FilmStyle $look,
        private PassageView $view,
    ) {
    }

    /**
     * @param  int  $stageFrom  frame from which on the stage is seen; below zero where that was before the passage already
     * @param  int  $from  first frame
     * @param  int  $until  the frame behind the last
     */
    public function of(ShotStyle $style, Zoom $zoom, int $stageFrom, int $from, int $until): Picture
    {
        $stage = $this->stage($style->stage, $from, $from - $stageFrom);
        $camera = $this->camera($from);
        $seen = fn (Annotation ...$marks): Picture => Picture::of(
            $this->frame,
            $style->layout,
            $style->inset,
            $stage,
            $camera,
            $this->look->logo,
            $this->look->ground,
            array_values($marks),
            $zoom,
            $style->backdrop,
        );
        $bare = $seen();
        $rect = $style->stage === null || $stage === null ? null : $bare->stageRect();
        if ($rect === null || $style->stage === null) {
            return $bare;
        }
        $surface = $style->stage->surface();
        $marks = $this->marks($surface, $rect->width / $rect->height, $from, $until);
        $picture = $marks === [] ? $bare : $seen(...$marks);
        $laid = [];
        foreach (EmphasisPlan::laid($this->view, $surface) as $one) {
            $laid[] = $one->isSeenOn($from) && $one->what instanceof Overlay ? $one->what->layer($rect, $zoom) : null;
        }

        return $picture->overStage(...array_filter($laid));
    }

    private function camera(int $from): ?TrackAt
    {
        $framing = $this->view->passage->take->content->framing;
        if ($this->view->isCloser && $this->look->hidesJumps) {
            $free = 1 - self::CLOSER;
            $framing = ($framing ?? Crop::whole())->part(
                new Crop($free / 2, $free * self::EYES, self::CLOSER, self::CLOSER),
            );
        }

        return $this->track(TrackKind::Camera, $from, $framing);
    }

    /** @param  int  $staged  frames for which it has been seen */
    private function stage(?Stage $stage, int $from, int $staged): Still|TrackAt|null
    {
        [$still, $film] = [$stage?->still, $stage?->film];

        return match (true) {
            $stage?->kind === StageKind::Screen => $this->track(
                TrackKind::Screen, $from, $this->view->passage->take->content->area,
            ),
            $film !== null && $still !== null => TrackAt::film($film, $still, Tick::ofFrames($staged, $this->rate)),
            default => $still,
        };
    }

    private function track(TrackKind $kind, int $frame, ?Crop $part): ?TrackAt
    {
        $take = $this->view->passage->take;
        $track = $take->track($kind);
        $at = $this->view->map->timeOf($frame);

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
                $kind === TrackKind::Camera ? $take->content->adjustment : null,
                intdiv($this->view->map->stepAt($frame), $this->rate->ticksPerFrame()),
            );
    }

    /** @return list<Annotation> what is drawn over a stage, bottom to top; frames counted from `$from` on */
    private function marks(string $surface, float $aspect, int $from, int $until): array
    {
        $marks = [...$this->drawn($surface, $aspect), ...EmphasisPlan::of($this->view, $surface, $aspect)];

        return array_values(array_filter(array_map(fn (Annotation $m): ?Annotation => $m->within($from, $until), $marks)));
    }

    /** @return list<Annotation> what a presenter drew, and what stands on the board; frames counted in the passage */
    private function drawn(string $surface, float $aspect): array
    {
        [$passage, $map] = [$this->view->passage, $this->view->map];
        $wiped = $map->frames;
        foreach ($passage->take->content->erasures as $wipe) {
            if ($wipe->on === $surface) {
                $wiped = min($wiped, $map->frameOf($wipe->at));
            }
        }
        $marks = array_map(
            fn (Stroke $s): Annotation => new Annotation($s->whole($aspect), 0, $wiped),
            $this->view->boards->on($surface, $passage->take->id),
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
