<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Annotation\EmphasisShape;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Script\BackgroundCue;
use OpenReel\Core\Script\BoardCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\EmphasisCue;
use OpenReel\Core\Script\Keys;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\Options;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SpeedCue;
use OpenReel\Core\Script\TransitionCue;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Script\ZoomCue;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Style\BackdropDrawing;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\KeysDrawing;
use OpenReel\Core\Style\LabelDrawing;
use OpenReel\Core\Style\NameDrawing;

/** Reads off a lesson's script what is seen where, with the slides and the house style at hand. */
final class PictureCues
{
    /** Long enough to read three caps and look at what they do. */
    private const KEYS_MS = 2_500;

    /** Long enough to read a name and what somebody is. */
    private const NAME_MS = 4_000;

    private ShownSlides $shown;

    private CuedPages $pages;

    /**
     * @param  list<CuedSlide>  $deck  the lesson's slides, in the order of the deck
     */
    public function __construct(
        private readonly Script $script,
        private readonly array $deck,
        private readonly HouseStyle $style,
        private readonly FrameSize $frame,
    ) {
        $this->shown = ShownSlides::of($script, array_map(fn (CuedSlide $s): string => $s->name, $deck));
        $this->pages = CuedPages::of($script, $style->colours, $frame);
    }

    /** @param  list<string>  $lines  ids of the section's lines, in order */
    public function of(ScriptSection $section, array $lines): SeenCues
    {
        $stage = null;
        $layout = new LayoutCue();
        $zoom = new ZoomCue(null, 0);
        $move = 0;
        $usual = BackdropDrawing::usual($this->style, $this->frame)?->still();
        $backdrop = $usual;
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
                $background = BackgroundCue::parse($cue->value);
                $backdrop = match (true) {
                    $background === null => $backdrop,
                    $background->isUsual => $usual,
                    default => $this->backdrop($background) ?? $backdrop,
                };
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
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return list<OverlayCueAt> in order
     */
    public function overlays(ScriptSection $section, array $lines): array
    {
        $shown = [];
        foreach ($section->cues as $cue) {
            $layer = $this->overlay($cue)?->layer();
            if ($layer !== null && isset($lines[$cue->line - 1])) {
                $length = $cue->kind === CueKind::Keys
                    ? self::KEYS_MS
                    : Options::parse($cue->value)->milliseconds ?? self::NAME_MS;
                $shown[] = new OverlayCueAt($lines[$cue->line - 1], $cue->within, $layer, $length);
            }
        }

        return $shown;
    }

    /** What a cue lays over the whole picture for a while. */
    private function overlay(Cue $cue): KeysDrawing|NameDrawing|null
    {
        $caps = $cue->kind === CueKind::Keys ? Keys::parse($cue->value) : [];

        return match (true) {
            $caps !== [] => new KeysDrawing($caps, $this->frame, $this->style),
            $cue->kind === CueKind::Name => $this->name($cue),
            default => null,
        };
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

    /**
     * @param  list<MusicTrack>  $beds  the music there is
     * @return list<MusicCueAt> in order; what cannot be read is passed over
     */
    public function music(ScriptSection $section, array $beds): array
    {
        $cued = [];
        foreach ($section->cues as $cue) {
            $music = $cue->kind === CueKind::Music ? MusicCue::parse($cue->value) : null;
            if ($music !== null) {
                $bed = $music->name === null ? null : MusicTrack::named($music->name, $beds);
                $cued[] = new MusicCueAt(WordPlace::of($cue), $music, $bed);
            }
        }

        return $cued;
    }

    /**
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return list<SpeedCueAt> in order; what cannot be read is passed over
     */
    public static function speeds(ScriptSection $section, array $lines): array
    {
        $cued = [];
        foreach ($section->cues as $number => $cue) {
            $speed = $cue->kind === CueKind::Speed ? SpeedCue::parse($cue->value) : null;
            if ($speed !== null) {
                $cued[] = new SpeedCueAt($lines[$cue->line - 1] ?? null, $cue->within, $speed, $number);
            }
        }

        return $cued;
    }

    /** @return list<EmphasisCueAt> in order */
    public function emphases(ScriptSection $section): array
    {
        $shown = $open = [];
        $stages = StageTimeline::of($section, $this->stage(...));
        foreach (array_values($section->cues) as $number => $cue) {
            $place = WordPlace::of($cue);
            $emphasis = $cue->kind === CueKind::Emphasis ? EmphasisCue::parse($cue->value) : null;
            $laid = $this->laidOver($cue);
            $stage = $stages->after($number);
            if ($emphasis?->shape !== null && $stage !== null) {
                $what = new Emphasis(
                    $emphasis->shape,
                    $emphasis->places,
                    $this->colour($emphasis->colour, $emphasis->shape),
                    $emphasis->look($this->style->drawsByHand),
                );
                $open[] = new EmphasisCueAt($what, $place, null, $emphasis->milliseconds, $stage->surface());
            } elseif ($laid !== null && $stage !== null) {
                $length = self::laidOptions($cue)->milliseconds;
                $open[] = new EmphasisCueAt($laid, $place, null, $length, $stage->surface());
            } elseif ($emphasis !== null || $stages->changesAt($number)) {
                array_push($shown, ...array_map(fn (EmphasisCueAt $one): EmphasisCueAt => $one->until($place), $open));
                $open = [];
            }
        }

        return [...$shown, ...$open];
    }

    /** What a label or picture cue lays over the stage. */
    private function laidOver(Cue $cue): ?Overlay
    {
        $isLabel = $cue->kind === CueKind::Label;
        if (! $isLabel && $cue->kind !== CueKind::Picture) {
            return null;
        }
        $options = self::laidOptions($cue);
        $at = array_map(fn (float $p): float => $p / 100, $options->at ?? []);
        $index = $isLabel ? null : $this->shown->named($options->words);
        if ($options->words === '' || $at === [] || ! $isLabel && $index === null) {
            return null;
        }
        $still = $index === null ? $this->label($cue)->still() : $this->deck[$index]->still;
        $still = new Still($isLabel ? StillKind::Label : StillKind::Laid, $still->id, $still->shape, $still->hash);

        return new Overlay($still, $at[0], $at[1], $at[2] ?? null);
    }

    /** A label is as large as its words; a picture has a width. */
    private static function laidOptions(Cue $cue): Options
    {
        return Options::parse($cue->value, $cue->kind === CueKind::Label ? 2 : 3);
    }

    private function label(Cue $cue): LabelDrawing
    {
        $options = self::laidOptions($cue);
        $colour = Colour::of($this->colour($options->colour, EmphasisShape::Box));

        return new LabelDrawing($options->words, $colour, $this->frame, $this->style);
    }

    /** Who a cue says is seen, and what they are; the style's presenter when it names nobody. */
    private function name(Cue $cue): ?NameDrawing
    {
        $words = Options::parse($cue->value)->words;
        [$name, $role] = [...array_map(trim(...), explode(',', $words, 2)), ''];
        $name = $name === '' ? $this->style->presenter : $name;

        return $name === '' ? null : new NameDrawing($name, $role, $this->frame, $this->style);
    }

    private function colour(?string $name, EmphasisShape $shape): string
    {
        // What is laid over stands out; what dims is dark.
        return $this->style->colours->named($name ?? ($shape === EmphasisShape::Spotlight ? 'ink' : 'contrast'));
    }

    /** @return list<string> SVG drawings of what its cues show and we draw: pages of the board, overlays, labels, backgrounds */
    public function drawings(): array
    {
        $drawings = $this->pages->drawings();
        $drawings[] = BackdropDrawing::usual($this->style, $this->frame)?->svg();
        foreach ($this->script->sections as $section) {
            foreach ($section->cues as $cue) {
                $isLabel = $cue->kind === CueKind::Label && $this->laidOver($cue) !== null;
                $background = $cue->kind === CueKind::Background ? BackgroundCue::parse($cue->value) : null;
                $drawings[] = match (true) {
                    $isLabel => $this->label($cue)->svg(),
                    $background !== null => $this->background($background)?->svg(),
                    default => $this->overlay($cue)?->svg(),
                };
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

    /** What lies behind stage and camera; null when the cue names no slide that there is. */
    private function backdrop(BackgroundCue $cue): ?Still
    {
        $index = $cue->slide === null ? null : $this->shown->named($cue->slide);
        if ($index !== null) {
            $still = $this->deck[$index]->still;

            return new Still(StillKind::Backdrop, $still->id, $still->shape, $still->hash);
        }

        return $this->background($cue)?->still();
    }

    /** What is drawn for a background cue. */
    private function background(BackgroundCue $cue): ?BackdropDrawing
    {
        $ground = $this->style->colours->ground;
        $named = $cue->colour === null ? null : Colour::of($this->colour($cue->colour, EmphasisShape::Box));

        return match (true) {
            $cue->isUsual, $cue->slide !== null => null,
            $cue->isGradient => new BackdropDrawing($ground, $named ?? $this->style->colours->accent, $this->frame),
            default => new BackdropDrawing($named ?? $ground, null, $this->frame),
        };
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
            $given->kind === CueKind::Slide => $this->named($given->value) ?? $choice->stage,
            default => $choice->stage,
        };

        return new ShotStyle($layout->layout ?? $choice->layout, $inset, $stage, backdrop: $choice->backdrop);
    }

    private function named(string $slide): ?Stage
    {
        $index = $this->shown->named($slide);

        return $index === null ? null : $this->deck[$index]->stage();
    }

    private function stage(Cue $cue): ?Stage
    {
        if ($cue->kind === CueKind::Screen) {
            return Stage::screen($cue->value);
        }
        if ($cue->kind === CueKind::Board) {
            return $this->pages->at($cue);
        }
        $index = $this->shown->at($cue);

        return $index === null ? null : $this->deck[$index]->stage();
    }
}
