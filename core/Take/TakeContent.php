<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Sound\CleanVoice;

/** What is seen and heard of a take: read only of takes that go into a film. */
final readonly class TakeContent
{
    /**
     * All spans in take time, in order.
     *
     * @param  list<RecordedTrack>  $tracks  at most one of each kind
     * @param  list<TakeAnnotation>  $annotations  what was drawn while it was recorded
     * @param  list<Erasure>  $erasures  and what was erased
     * @param  Crop|null  $framing  part of the camera's picture that is shown; null for all of it
     * @param  Crop|null  $area  part of the screen that is shown
     * @param  CleanVoice|null  $cleanVoice  its voice is heard as this; null as it was recorded
     * @param  list<Span>  $silences  in which nothing is heard of it
     * @param  Adjustment|null  $adjustment  how its camera's picture is changed
     * @param  list<Span>  $pauses  silences between speech, as listening found them
     * @param  list<Span>  $unscripted  speech in it that is no line
     * @param  bool  $isDraft  nobody recorded it: a preview voice reads a line
     */
    public function __construct(
        public array $tracks = [],
        public array $annotations = [],
        public array $erasures = [],
        public ?Crop $framing = null,
        public ?Crop $area = null,
        public ?CleanVoice $cleanVoice = null,
        public array $silences = [],
        public ?Adjustment $adjustment = null,
        public array $pauses = [],
        public array $unscripted = [],
        public bool $isDraft = false,
    ) {
    }
}
