<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** A take as it was recorded: what stays whatever is found out about it, and whatever is decided. */
final readonly class RecordedTake
{
    /**
     * @param  string  $section  id of the section it hangs on
     * @param  int  $number  counted from 1 within the section it was recorded for
     * @param  list<SpokenLine>  $lines  those it was recorded for, in order, in the words they had then
     * @param  int  $silenceMs  how long the script asked to be silent meanwhile
     * @param  list<RecordedTrack>  $tracks  at most one of each kind; those of which a file was made
     * @param  bool  $isCutOff  its recorder is not heard of any more
     */
    public function __construct(
        public string $id,
        public string $section,
        public int $number,
        public TakeState $state = TakeState::Ready,
        public array $lines = [],
        public int $silenceMs = 0,
        public array $tracks = [],
        public bool $isCutOff = false,
    ) {
    }
}
