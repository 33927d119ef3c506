<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Sound\Cleaning;

/** What was decided for a take: by the presenter at the take itself, or for its lesson as usual. */
final readonly class TakeEdits
{
    /**
     * All spans in take time, in order.
     *
     * @param  int  $keptOrder  of two kept takes, the one with the higher order was kept later; 0 when it is kept only for lines
     *    that were chosen of it
     * @param  list<Span>|null  $trim  what is used of it at most; null: what was found
     * @param  list<Span>  $cuts  what is left out of that
     * @param  list<Span>  $silences  in which nothing is heard of it
     * @param  Crop|null  $framing  part of the camera's picture that is shown; null for all of it
     * @param  Crop|null  $area  part of the screen that is shown
     * @param  Adjustment|null  $adjustment  how its camera's picture is changed
     * @param  Cleaning|null  $cleaning  how its voice is cleaned; null: as its lesson's voices are
     * @param  Cleaning  $usualCleaning  how its lesson's voices are cleaned
     * @param  int  $longestPause  milliseconds to which longer pauses are shortened; 0 leaves them
     */
    public function __construct(
        public Verdict $verdict = Verdict::Undecided,
        public int $keptOrder = 0,
        public ?array $trim = null,
        public array $cuts = [],
        public array $silences = [],
        public ?Crop $framing = null,
        public ?Crop $area = null,
        public ?Adjustment $adjustment = null,
        public ?Cleaning $cleaning = null,
        public Cleaning $usualCleaning = new Cleaning(),
        public int $longestPause = 0,
    ) {
    }

    public function cleaning(): Cleaning
    {
        return $this->cleaning ?? $this->usualCleaning;
    }
}
