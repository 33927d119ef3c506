<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Emphasis;
use OpenReel\Core\Annotation\EmphasisShape;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\EmphasisCue;
use OpenReel\Core\Script\Keys;
use OpenReel\Core\Script\Options;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\KeysDrawing;
use OpenReel\Core\Style\LabelDrawing;
use OpenReel\Core\Style\NameDrawing;

/** What cues lay over the stage (emphasis, labels, pictures), and over the whole picture (key caps, names). */
final readonly class OverlayCues
{
    /** Long enough to read three caps and look at what they do. */
    private const KEYS_MS = 2_500;

    /** Long enough to read a name and what somebody is. */
    private const NAME_MS = 4_000;

    public function __construct(private CuedDeck $deck, private HouseStyle $style, private FrameSize $frame)
    {
    }

    /**
     * Over the whole picture.
     *
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

    /**
     * Over the stage.
     *
     * @param  callable(Cue): ?Stage  $meant  what a cue puts on the stage
     * @return list<EmphasisCueAt> in order
     */
    public function emphases(ScriptSection $section, callable $meant): array
    {
        $shown = $open = [];
        $stages = StageTimeline::of($section, $meant);
        foreach (array_values($section->cues) as $number => $cue) {
            $place = WordPlace::of($cue);
            $stage = $stages->after($number);
            $emphasis = $cue->kind === CueKind::Emphasis ? EmphasisCue::parse($cue->value) : null;
            $laid = $this->laid($cue);
            if ($emphasis?->shape !== null && $stage !== null) {
                $what = new Emphasis(
                    $emphasis->shape,
                    $emphasis->places,
                    $this->colour($emphasis->colour, $emphasis->shape),
                    $emphasis->look($this->style->drawsByHand),
                );
                $open[] = new EmphasisCueAt($what, $place, null, $emphasis->milliseconds, $stage->surface());
            } elseif ($laid !== null && $stage !== null) {
                $open[] = new EmphasisCueAt($laid, $place, null, self::options($cue)->milliseconds, $stage->surface());
            } elseif ($emphasis !== null || $stages->changesAt($number)) {
                array_push($shown, ...array_map(fn (EmphasisCueAt $one): EmphasisCueAt => $one->until($place), $open));
                $open = [];
            }
        }

        return [...$shown, ...$open];
    }

    /** @return string|null SVG drawing of what a cue shows and we draw: a label, key caps, a name */
    public function drawing(Cue $cue): ?string
    {
        return $cue->kind === CueKind::Label && $this->laid($cue) !== null
            ? $this->label($cue)->svg()
            : $this->overlay($cue)?->svg();
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

    /** What a label or picture cue lays over the stage. */
    private function laid(Cue $cue): ?Overlay
    {
        $isLabel = $cue->kind === CueKind::Label;
        if (! $isLabel && $cue->kind !== CueKind::Picture) {
            return null;
        }
        $options = self::options($cue);
        $at = array_map(fn (float $p): float => $p / 100, $options->at ?? []);
        if ($options->words === '' || $at === []) {
            return null;
        }
        $still = $isLabel ? $this->label($cue)->still() : $this->deck->named($options->words)?->still;

        return $still === null ? null : new Overlay(
            new Still($isLabel ? StillKind::Label : StillKind::Laid, $still->id, $still->shape, $still->hash),
            $at[0],
            $at[1],
            $at[2] ?? null,
        );
    }

    /** A label is as large as its words; a picture has a width. */
    private static function options(Cue $cue): Options
    {
        return Options::parse($cue->value, $cue->kind === CueKind::Label ? 2 : 3);
    }

    private function label(Cue $cue): LabelDrawing
    {
        $options = self::options($cue);
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
}
