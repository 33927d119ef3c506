<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Picture\TransitionKind;

/** Where in the film a piece of sound is heard, and how it meets the one before. */
final readonly class SoundPlace
{
    /**
     * @param  int  $at  sample of the film on which the piece begins
     * @param  TransitionKind  $join  with the place before
     * @param  int  $joinSamples  as long as the join lasts; 0 for a cut
     * @param  list<int>  $clicks  samples after its beginning on which a click of the pointer is heard
     * @param  list<Span>  $silences  counted from its beginning, in which nothing else is heard; a tick is a sample
     */
    public function __construct(
        public SoundPiece $piece,
        public int $at,
        public TransitionKind $join = TransitionKind::Cut,
        public int $joinSamples = 0,
        public array $clicks = [],
        public array $silences = [],
    ) {
    }

    public function end(): int
    {
        return $this->at + $this->piece->samples;
    }

    /**
     * The samples of the film in which this place and the one before change over.
     *
     * @return array{int, int} from, until
     */
    public function change(self $before): array
    {
        $half = match ($this->join) {
            TransitionKind::Cut => min(SoundPiece::HANDLE, intdiv($before->piece->samples, 2), intdiv($this->piece->samples, 2)),
            TransitionKind::Dissolve, TransitionKind::Push => 0,
            TransitionKind::Dip => intdiv($this->joinSamples, 2),
        };

        return $this->join->overlaps()
            ? [$this->at, $this->at + $this->joinSamples]
            : [$this->at - $half, $this->at + $half];
    }
}
