<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Script\BoardCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\TransitionCue;
use OpenReel\Core\Script\ZoomCue;
use OpenReel\Core\Style\BackdropDrawing;
use OpenReel\Core\Style\HouseStyle;

/** Reads off a lesson's script what is seen where, with the slides and the house style at hand. */
final readonly class PictureCues
{
    private CuedDeck $deck;

    private CuedPages $pages;

    private Backdrops $backdrops;

    private OverlayCues $laid;

    /** @param  list<CuedSlide>  $deck  the lesson's slides, in the order of the deck */
    public function __construct(private Script $script, array $deck, private HouseStyle $style, private FrameSize $frame)
    {
        $this->deck = new CuedDeck($script, $deck);
        $this->pages = CuedPages::of($script, $style->colours, $frame);
        $this->backdrops = new Backdrops($this->deck, $style, $frame);
        $this->laid = new OverlayCues($this->deck, $style, $frame);
    }

    /** @param  list<string>  $lines  ids of the section's lines, in order */
    public function of(ScriptSection $section, array $lines): SeenCues
    {
        $stage = null;
        $layout = new LayoutCue();
        $zoom = new ZoomCue(null, 0);
        $move = 0;
        $backdrop = $this->backdrops->usual();
        $opening = $this->choice($layout, $stage, $zoom, $backdrop);
        $changes = [];
        $stages = StageTimeline::of($section, $this->stage(...));
        foreach (array_values($section->cues) as $number => $cue) {
            $stage = $stages->after($number);
            if ($cue->kind->isStage() || $cue->kind === CueKind::Step) {
                // A part of one stage is none of another.
                $zoom = $stages->changesAt($number) ? new ZoomCue(null, 0) : $zoom;
                $move = 0;
            } elseif ($cue->kind === CueKind::Zoom) {
                $next = ZoomCue::parse($cue->value) ?? $zoom;
                // What says what is seen anyway changes nothing.
                $zoom = $next->part == $zoom->part ? $zoom : $next;
            } elseif ($cue->kind === CueKind::Layout) {
                $before = $this->choice($layout, $stage, $zoom, $backdrop);
                $layout = LayoutCue::parse($cue->value)?->over($layout) ?? $layout;
                // What says what is seen anyway moves nothing.
                $isAnother = $before != $this->choice($layout, $stage, $zoom, $backdrop);
                $move = $isAnother ? $layout->moveMs ?? $this->style->layoutMove : $move;
            } elseif ($cue->kind === CueKind::Background) {
                $backdrop = $this->backdrops->behind($cue, $backdrop);
            } else {
                continue;
            }
            if ($cue->line === 1 && $cue->within === 0.0) {
                $opening = $this->choice($layout, $stage, $zoom, $backdrop);
            } elseif (isset($lines[$cue->line - 1])) {
                $then = $this->choice($layout, $stage, $zoom, $backdrop, $move);
                $changes[] = new PictureCueAt($lines[$cue->line - 1], $cue->within, $then);
            }
        }

        return new SeenCues($opening, $changes);
    }

    /**
     * What is laid over the whole picture: key caps and names.
     *
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return list<OverlayCueAt> in order
     */
    public function overlays(ScriptSection $section, array $lines): array
    {
        return $this->laid->overlays($section, $lines);
    }

    /** @return list<EmphasisCueAt> what is laid over the stage, in order */
    public function emphases(ScriptSection $section): array
    {
        return $this->laid->emphases($section, $this->stage(...));
    }

    /** How a section meets what comes before it: as its cue says, or the style; null when neither says anything. */
    public function join(ScriptSection $section, FrameRate $rate): ?Transition
    {
        $join = null;
        foreach ($section->openingCues(CueKind::Join) as $cue) {
            $join = TransitionCue::parse($cue->value)?->join($rate) ?? $join;
        }

        $usual = $this->style->join;

        return $join ?? ($usual->kind === TransitionKind::Cut ? null : $usual->join($rate));
    }

    /** @return list<string> SVG drawings of what its cues show and we draw: pages of the board, overlays, labels, backgrounds */
    public function drawings(): array
    {
        $drawings = [...$this->pages->drawings(), BackdropDrawing::usual($this->style, $this->frame)?->svg()];
        foreach ($this->script->sections as $section) {
            foreach ($section->cues as $cue) {
                $drawings[] = $cue->kind === CueKind::Background
                    ? $this->backdrops->drawing($cue)
                    : $this->laid->drawing($cue);
            }
        }

        return array_values(array_unique(array_filter($drawings)));
    }

    private function choice(
        LayoutCue $layout,
        ?Stage $stage,
        ZoomCue $zoom,
        ?Still $backdrop,
        int $moveMs = 0,
    ): ShotStyle {
        return new ShotStyle(
            $layout->layout ?? $this->style->layout,
            $layout->inset($this->style->inset),
            $stage,
            $stage === null ? null : $zoom->part,
            $stage === null ? 0 : $zoom->milliseconds,
            $moveMs,
            $backdrop,
        );
    }

    /** What is seen once a cue was given that the script does not hold; what says nothing about the picture changes nothing. */
    public function with(ShotStyle $choice, Cue $given): ShotStyle
    {
        $inset = $choice->inset;
        $layout = $given->kind === CueKind::Layout ? LayoutCue::parse($given->value) : null;
        if ($layout !== null) {
            $inset = $layout->inset($inset);
        }
        $page = $given->kind === CueKind::Board ? BoardCue::parse($given->value)?->page : null;
        $stage = match (true) {
            $given->kind === CueKind::CameraAlone => null,
            $given->kind === CueKind::Screen => Stage::screen($given->value),
            $given->kind === CueKind::Board => $this->pages->page($page ?? 1),
            $given->kind === CueKind::Slide => $this->deck->named($given->value)?->stage() ?? $choice->stage,
            default => $choice->stage,
        };

        return new ShotStyle($layout->layout ?? $choice->layout, $inset, $stage, backdrop: $choice->backdrop);
    }

    private function stage(Cue $cue): ?Stage
    {
        return match ($cue->kind) {
            CueKind::Screen => Stage::screen($cue->value),
            CueKind::Board => $this->pages->at($cue),
            default => $this->deck->at($cue)?->stage(),
        };
    }
}
