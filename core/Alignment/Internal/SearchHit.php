<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** A stretch of a take in which a line is said, as the search found it. */
final readonly class SearchHit
{
    /**
     * @param  int  $line  index
     * @param  int  $from  frame of the take
     * @param  int  $until  the frame behind the last
     * @param  int  $reached  last frame of the line that was said
     * @param  float  $cost  as of Costs: how unlike the line it sounds, over all its frames
     */
    public function __construct(
        public int $line,
        public int $from,
        public int $until,
        public int $reached,
        public bool $complete,
        public float $cost,
    ) {
    }

    /** The same words, said otherwise than was thought. */
    public function but(bool $complete, int $reached): self
    {
        return new self($this->line, $this->from, $this->until, $reached, $complete, $this->cost);
    }

    public function within(int $from, int $until): self
    {
        return new self($this->line, $from, $until, $this->reached, $this->complete, $this->cost);
    }
}
