<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;

/** One stream of a take, as it lies in a file of its own. */
final readonly class RecordedTrack
{
    /**
     * @param  string  $hash  SHA-256 of its file
     * @param  Tick  $offset  moment of the take at which the file begins
     * @param  Shape|null  $shape  of a picture; null for sound
     * @param  SourceColour|null  $colour  how a picture's colours are meant
     * @param  float|null  $loudness  LUFS of a sound, all of it; null when it could not be measured
     * @param  float|null  $peak  dBFS of a sound's largest sample; null when nobody looked
     * @param  Tick|null  $lead  how much of the file lies before the take begins; null is nothing
     */
    public function __construct(
        public TrackKind $kind,
        public string $hash,
        public Tick $length,
        public Tick $offset,
        public ?Shape $shape = null,
        public ?SourceColour $colour = null,
        public ?float $loudness = null,
        public ?float $peak = null,
        public ?Tick $lead = null,
    ) {
    }

    /** The moment of the file at a moment of the take; below zero, the file begins later: ticks. */
    public function fileAt(Tick $take): int
    {
        return $take->count - $this->offset->count + ($this->lead->count ?? 0);
    }
}
