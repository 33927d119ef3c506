<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;

/** A passage of a section as it is looked at: what its pictures are made of, whatever is seen. */
final readonly class PassageView
{
    /**
     * @param  BoardPages  $boards  what stands on the board when the passage begins
     * @param  bool  $isCloser  the presenter is framed a little closer, where the film hides jumps
     */
    public function __construct(
        public SectionInput $section,
        public Passage $passage,
        public TimeMap $map,
        public BoardPages $boards,
        public bool $isCloser = false,
    ) {
    }

    /** The frame on which something is over that begins on another and lasts so long. */
    public function frameAfter(int $frame, int $milliseconds): int
    {
        return $this->map->frameOf($this->map->timeOf($frame)->plus(Tick::ofMilliseconds($milliseconds)));
    }

    /** The frame on which a cue takes effect; one behind the last when it comes up behind the passage, null when elsewhere. */
    public function frameOf(LinePlace $place): ?int
    {
        $at = $this->momentOf($place);

        return match (true) {
            $at === null => null,
            $at->isBefore($this->passage->span->until) => $this->map->frameOf($at),
            default => $this->map->frames,
        };
    }

    /** The moment of the take at which a cue takes effect; null when that is in another passage, or nowhere. */
    public function momentOf(LinePlace $place): ?Tick
    {
        return $this->section->timeline()->momentIn($this->passage, $place->line, $place->within);
    }
}
