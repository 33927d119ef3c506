<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Section;
use OpenReel\Core\Style\HouseStyle;

/** Reads off a lesson's script what is seen where, with the slides and the house style at hand. */
final class PictureCues
{
    private ShownSlides $shown;

    /**
     * @param  list<array{name: string, still: Still}>  $deck  the lesson's slides, in the order of the deck
     */
    public function __construct(Script $script, private readonly array $deck, private readonly HouseStyle $style)
    {
        $this->shown = ShownSlides::of($script, array_column($deck, 'name'));
    }

    /**
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return array{PictureChoice, list<PictureChange>} what is seen when the section begins, and what changes then
     */
    public function of(Section $section, array $lines): array
    {
        $slide = null;
        $layout = new LayoutCue;
        $opening = $this->choice($layout, $slide);
        $changes = [];
        foreach ($section->cues as $cue) {
            if ($cue->kind === CueKind::Slide) {
                $slide = $this->slide($cue) ?? $slide;
            } elseif ($cue->kind === CueKind::Layout) {
                $layout = LayoutCue::read($cue->value)?->over($layout) ?? $layout;
            } else {
                continue;
            }
            if ($cue->line === 1 && $cue->within === 0.0) {
                $opening = $this->choice($layout, $slide);
            } elseif (isset($lines[$cue->line - 1])) {
                $changes[] = new PictureChange($lines[$cue->line - 1], $cue->within, $this->choice($layout, $slide));
            }
        }

        return [$opening, $changes];
    }

    private function choice(LayoutCue $layout, ?Still $slide): PictureChoice
    {
        $inset = $this->style->inset;

        return new PictureChoice(
            $layout->layout ?? $this->style->layout,
            new Inset($layout->corner ?? $inset->corner, $layout->size ?? $inset->size, $inset->shape, $inset->border),
            $slide,
        );
    }

    private function slide(Cue $cue): ?Still
    {
        $index = $this->shown->at($cue);

        return $index === null ? null : $this->deck[$index]['still'];
    }
}
