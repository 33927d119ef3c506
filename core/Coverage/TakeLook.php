<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** What a take looks like from afar. */
final readonly class TakeLook
{
    /**
     * @param  bool  $isWaiting  it has no verdict yet and could be used
     * @param  bool  $isFlagged  something about it is to be looked at
     * @param  bool  $isBeingRead  it is recorded, and what is in it is not known yet
     */
    public function __construct(
        public string $id,
        public bool $isKept,
        public bool $isWaiting,
        public bool $isFlagged,
        public bool $isBeingRead = false,
    ) {
    }
}
