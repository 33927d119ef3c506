<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** What is meant to be seen on the stage: a slide, the screen that a take recorded, or a page of the board. */
final readonly class Stage
{
    /**
     * @param  Still|null  $still  the slide, or the page as it is before anything is written on it; null for a screen
     * @param  int  $page  of the board, counted from 1; 0 for anything else
     * @param  string  $says  what is to be seen on a screen, in the presenter's words
     * @param  list<Still>  $steps  of a slide that builds up: its picture with none of its steps, with one, with two...
     * @param  int  $step  how many of them are seen
     * @param  ClipSource|null  $film  of which the slide is the first picture
     */
    private function __construct(
        public StageKind $kind,
        public ?Still $still,
        public int $page = 0,
        public string $says = '',
        public array $steps = [],
        public int $step = 0,
        public ?ClipSource $film = null,
    ) {
    }

    /** @param  list<Still>  $steps  of one that builds up */
    public static function slide(Still $slide, array $steps = [], ?ClipSource $film = null): self
    {
        return new self(StageKind::Slide, $steps[0] ?? $slide, steps: $steps, film: $film);
    }

    /**
     * @param  int|null  $step  how many are seen then; null for one more
     * @return self the same when it has no more
     */
    public function built(?int $step): self
    {
        $then = max(0, min(count($this->steps) - 1, $step ?? $this->step + 1));
        $still = $this->steps[$then] ?? null;

        return $still === null ? $this : new self($this->kind, $still, steps: $this->steps, step: $then);
    }

    public static function screen(string $says = ''): self
    {
        return new self(StageKind::Screen, null, says: $says);
    }

    public static function board(int $page, Still $paper): self
    {
        return new self(StageKind::Board, $paper, $page);
    }

    /** What a mark names to say that it was drawn here: `slide:ID`, `screen`, `board:2`. */
    public function surface(): string
    {
        return match ($this->kind) {
            StageKind::Slide => 'slide:'.($this->still->id ?? ''),
            StageKind::Screen => 'screen',
            StageKind::Board => "board:{$this->page}",
        };
    }
}
