<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** What is seen in a passage, from frame to frame. */
final readonly class SeenChanges
{
    /**
     * @param  non-empty-array<int, SeenChange>  $all  by frame, rising; the first is what the passage begins with
     * @param  ShotStyle  $last  what is seen at its end, and behind it
     * @param  int  $stageFrom  frame from which on the stage is seen that is seen then
     */
    private function __construct(public array $all, public ShotStyle $last, public int $stageFrom)
    {
    }

    /**
     * @param  ShotStyle  $opening  what is seen when the passage begins
     * @param  int  $staged  frames for which its stage has been seen before
     */
    public static function in(PassageView $view, ShotStyle $opening, int $staged): self
    {
        $seen = new self([0 => new SeenChange(0, $opening, -$staged)], $opening, -$staged);
        $reached = 0;
        foreach ($view->section->changes as $cue) {
            $frame = $view->frameOf(new LinePlace($cue->line, $cue->within));
            if ($frame !== null) {
                // A cue never takes effect before the one it follows.
                $reached = max($reached, $frame);
                $seen = $seen->then($reached, $cue->then, $view);
            }
        }

        return $seen;
    }

    /** The change that holds on a frame. */
    public function at(int $frame): SeenChange
    {
        $found = $this->all[array_key_first($this->all)];
        foreach ($this->all as $change) {
            $found = $change->frame <= $frame ? $change : $found;
        }

        return $found;
    }

    /** The change that holds just before a frame; on the first, what the passage begins with. */
    public function before(int $frame): SeenChange
    {
        return $this->at(max(0, $frame - 1));
    }

    private function then(int $frame, ShotStyle $style, PassageView $view): self
    {
        if ($style == $this->last) {
            // It says what is seen anyway.
            return $this;
        }
        $isSame = $style->stage?->surface() === $this->last->stage?->surface();
        $stageFrom = $isSame ? $this->stageFrom : $frame;
        if ($frame >= $view->map->frames) {
            // What comes up behind the passage is seen from the next one on.
            return new self($this->all, $style, $stageFrom);
        }
        // Of several cues at one place only the last is seen, and it comes after what was seen before them.
        $before = ($this->all[$frame] ?? null)->before ?? $this->last;
        $earlier = $this->before($frame);
        $left = $earlier->way->rest($before->zoom, $frame - $earlier->frame);
        $change = SeenChange::at($frame, $before, $style, $stageFrom, $left, $view);

        return new self(array_replace($this->all, [$frame => $change]), $style, $stageFrom);
    }
}
