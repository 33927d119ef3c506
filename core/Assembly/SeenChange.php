<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** From a frame of a passage on something else is seen. */
final readonly class SeenChange
{
    /**
     * @param  ShotStyle|null  $before  what was seen until then; null where the passage begins
     * @param  int  $stageFrom  frame from which on its stage is seen; below zero where it was seen before the passage already
     * @param  ZoomWay  $way  how the stage comes to the part that is seen
     * @param  int  $moves  frames that the way to another layout takes; 0 when it is there at once
     */
    public function __construct(
        public int $frame,
        public ShotStyle $style,
        public int $stageFrom,
        public ?ShotStyle $before = null,
        public ZoomWay $way = new ZoomWay(),
        public int $moves = 0,
    ) {
    }

    /**
     * @param  ShotStyle  $before  what was seen until then
     * @param  ZoomWay  $left  what is left then of the way to the part that was seen
     */
    public static function at(
        int $frame,
        ShotStyle $before,
        ShotStyle $style,
        int $stageFrom,
        ZoomWay $left,
        PassageView $view,
    ): self {
        $way = self::way($before, $style, $left, $frame, $view);
        $isMove = $style->moveMs > 0 && ($before->layout !== $style->layout || $before->inset != $style->inset);
        $moves = $isMove ? max(1, $view->frameAfter($frame, $style->moveMs) - $frame) : 0;
        if ($way->frames > 0 && $moves > 0) {
            // What is zoomed and moved at once arrives at once.
            $moves = max($way->frames, $moves);
            $way = $way->takes($moves);
        }

        return new self($frame, $style, $stageFrom, $before, $way, $moves);
    }

    /** @return list<int> frames on which something that is on its way has arrived */
    public function arrivals(): array
    {
        return array_values(array_filter([
            $this->frame + $this->way->frames, $this->frame + $this->moves,
        ], fn (int $at): bool => $at > $this->frame));
    }

    private static function way(ShotStyle $before, ShotStyle $style, ZoomWay $left, int $frame, PassageView $view): ZoomWay
    {
        $isSame = $before->stage?->surface() === $style->stage?->surface();
        if ($isSame && $before->zoom == $style->zoom) {
            // Something else changes meanwhile.
            return $left->frames > 0 ? $left : new ZoomWay();
        }

        // What is another stage is there at once.
        return $isSame && $style->zoomMs > 0
            ? $left->takes(max(1, $view->frameAfter($frame, $style->zoomMs) - $frame))
            : new ZoomWay();
    }
}
