<?php

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Time\Span;

/** The take a section uses: what is taken from it and what it can show. */
final readonly class TakeSource
{
    /**
     * @param  Span  $used  the part that goes into the lesson, in take time
     * @param  Shape|null  $camera  null when the take has sound only
     * @param  string|null  $mediaHash  SHA-256 of the picture's file, null when there is none
     * @param  string|null  $soundHash  SHA-256 of the sound's file, null when there is none
     * @param  float|null  $loudness  LUFS of the whole take, null when it could not be measured
     */
    public function __construct(
        public string $id,
        public int $number,
        public Span $used,
        public ?Shape $camera,
        public ?string $mediaHash,
        public ?string $soundHash,
        public ?float $loudness,
    ) {
    }
}
