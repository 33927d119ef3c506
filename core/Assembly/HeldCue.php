<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueChange;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Style\HouseStyle;

/** What is seen again behind words for which something else is seen: as a cue that says it whatever stands before. */
final class HeldCue
{
    /**
     * @param  Cue  $new  what is seen for the words
     * @param  WordPlace  $at  behind them
     * @param  list<string>  $slides  names of the deck's
     * @return string a cue with its brackets; nothing for what does not hold on
     */
    public static function at(Script $script, ScriptSection $section, Cue $new, WordPlace $at, HouseStyle $style, array $slides): string
    {
        $isLaid = in_array($new->kind, [CueKind::Emphasis, CueKind::Label, CueKind::Picture], true);

        return match (true) {
            $new->kind === CueKind::Layout => self::layout($section, $new, $at, $style),
            $isLaid => Cue::write(CueKind::Emphasis, 'none'),
            $new->kind === CueKind::Music => Cue::write(CueKind::Music, 'none'),
            $new->kind === CueKind::Background => CueChange::inForce($section, $new->kind, $at)?->source()
                ?? Cue::write(CueKind::Background, 'usual'),
            $new->kind === CueKind::Zoom => self::zoom($section, $at),
            $new->kind->isStage() => self::stage($script, $section, $new, $at, $slides),
            default => '',
        };
    }

    /** A part of one stage is none of another. */
    private static function zoom(ScriptSection $section, WordPlace $at): string
    {
        $held = null;
        foreach ($section->cues as $cue) {
            if (WordPlace::of($cue)->isBefore($at)) {
                $held = $cue->kind === CueKind::Zoom ? $cue->source() : ($cue->kind->isStage() ? null : $held);
            }
        }

        return $held ?? Cue::write(CueKind::Zoom, 'out');
    }

    /** @param  list<string>  $slides */
    private static function stage(Script $script, ScriptSection $section, Cue $new, WordPlace $at, array $slides): string
    {
        $held = CueChange::inForce($section, $new->kind, $at);
        if ($held === null) {
            return Cue::write(CueKind::CameraAlone);
        }
        // The next slide is another one once something stands between.
        $index = $held->kind === CueKind::Slide ? ShownSlides::of($script, $slides)->at($held) : null;

        return $index === null ? $held->source() : Cue::write(CueKind::Slide, $slides[$index]);
    }

    /** Only what the new one changes, as it was said before or as the house style has it. */
    private static function layout(ScriptSection $section, Cue $new, WordPlace $at, HouseStyle $style): string
    {
        $inset = $style->inset;
        $was = new LayoutCue(
            $style->layout, $inset->corner, $inset->size, $inset->shape, border: $inset->border->width,
            hasShadow: $inset->hasShadow,
        );
        foreach ($section->cues as $cue) {
            if ($cue->kind === CueKind::Layout && WordPlace::of($cue)->isBefore($at)) {
                $was = LayoutCue::parse($cue->value)?->over($was) ?? $was;
            }
        }
        $changed = LayoutCue::parse($new->value) ?? new LayoutCue();
        $isMoved = $changed->place !== null || $changed->corner !== null || $changed->size !== null;
        $isInCorner = $was->place === null && $changed->place !== null;

        return Cue::write(CueKind::Layout, (new LayoutCue(
            $changed->layout === null ? null : $was->layout,
            $changed->corner === null && ! $isInCorner ? null : $was->corner,
            $changed->size === null && ! $isInCorner ? null : $was->size,
            $changed->shape === null ? null : $was->shape,
            $isMoved ? $was->place : null,
            $changed->moveMs,
            $changed->border === null ? null : $was->border,
            $changed->hasShadow === null ? null : $was->hasShadow,
        ))->write());
    }
}
