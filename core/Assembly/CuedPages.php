<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Board;
use OpenReel\Core\Picture\BoardPaper;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Script\BoardCue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\Palette;

/** The pages of the board that a script asks for, as they are before anything is written on them. */
final readonly class CuedPages
{
    /**
     * @param  array<int, int>  $pages  that each board cue means, by the byte at which it stands
     * @param  array<int, BoardPaper>  $papers  by page, as it is begun
     */
    private function __construct(
        private array $pages,
        private array $papers,
        private Palette $colours,
        private FrameSize $frame,
    ) {
    }

    /** A cue without a number means the page shown last, and a page keeps the paper with which it is begun. */
    public static function of(Script $script, Palette $colours, FrameSize $frame): self
    {
        $pages = $papers = [];
        $page = 1;
        foreach ($script->sections as $section) {
            foreach ($section->cues as $cue) {
                $board = $cue->kind === CueKind::Board ? BoardCue::parse($cue->value) : null;
                if ($board !== null) {
                    $page = $board->page ?? $page;
                    $pages[$cue->from] = $page;
                    if ($board->paper !== null) {
                        $papers[$page] ??= $board->paper;
                    }
                }
            }
        }

        return new self($pages, $papers, $colours, $frame);
    }

    public function page(int $page): Stage
    {
        $shape = Shape::of($this->frame->width, $this->frame->height);

        return Stage::board($page, Still::drawn(StillKind::Board, $this->svg($page), $shape));
    }

    /** The page that a board cue of the script means; null when it cannot be read. */
    public function at(Cue $cue): ?Stage
    {
        return isset($this->pages[$cue->from]) ? $this->page($this->pages[$cue->from]) : null;
    }

    /** @return list<string> SVG, one for each page that is shown */
    public function drawings(): array
    {
        return array_map($this->svg(...), array_values(array_unique($this->pages)));
    }

    private function svg(int $page): string
    {
        $paper = $this->papers[$page] ?? BoardPaper::Plain;

        return Board::svg($paper, $this->frame, $this->colours->paper, $this->colours->ground, $this->colours->ink);
    }
}
