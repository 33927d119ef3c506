<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;

/** A file made of a recording: a draft to be put in its place, and what is known of it. */
final readonly class MadeTrack
{
    /**
     * @param  int  $offset  ticks of the take at which the file begins; below zero when it begins before
     * @param  array{int, int}|null  $size  width and height of a picture, as shown
     * @param  string|null  $range  of a picture's colours, as its file says
     * @param  string|null  $matrix  of a picture's colours, as its file says
     * @param  float|null  $loudness  LUFS of a sound
     * @param  float|null  $peak  dBFS of a sound's largest sample
     */
    public function __construct(
        public TrackKind $kind,
        public string $draft,
        public Tick $length,
        public int $offset,
        public ?array $size = null,
        public ?string $range = null,
        public ?string $matrix = null,
        public ?float $loudness = null,
        public ?float $peak = null,
    ) {
    }

    public function extension(): string
    {
        return pathinfo($this->draft, PATHINFO_EXTENSION);
    }
}
