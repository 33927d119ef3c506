<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Lesson;
use App\Models\Slide;
use OpenReel\Core\Assembly\PictureChange;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Section;
use OpenReel\Core\Style\HouseStyle;

/** Reads off a lesson's script what is seen where, with the slides and the house style at hand. */
final class PictureCues
{
    /** @var list<Slide> */
    private array $slides;

    private ShownSlides $shown;

    public function __construct(Lesson $lesson, Script $script, private readonly HouseStyle $style)
    {
        $this->slides = array_values($lesson->slides()->get()->all());
        $this->shown = ShownSlides::of($script, array_map(fn (Slide $s): string => $s->name, $this->slides));
    }

    /** @return array<string, string> path on the media disk by hash */
    public function files(): array
    {
        return array_column(array_map(fn (Slide $s): array => [$s->hash, $s->path], $this->slides), 1, 0);
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

    private function choice(LayoutCue $layout, ?Slide $slide): PictureChoice
    {
        $inset = $this->style->inset();

        return new PictureChoice(
            $layout->layout ?? $this->style->layout(),
            new Inset($layout->corner ?? $inset->corner, $layout->size ?? $inset->size, $inset->shape, $inset->border),
            $slide === null ? null : new SlideSource($slide->id, Shape::of($slide->width, $slide->height), $slide->hash),
        );
    }

    private function slide(Cue $cue): ?Slide
    {
        $index = $this->shown->at($cue);

        return $index === null ? null : $this->slides[$index];
    }
}
