<?php

declare(strict_types=1);

namespace App\Media;

/** What a recording contains. */
final readonly class RecordingFacts
{
    /**
     * @param  string|null  $videoCodec  null without a picture
     * @param  int  $width  as shown: turned phones are already turned upright
     * @param  string|null  $audioCodec  null without sound
     * @param  bool  $changesSize  the picture changes its size on the way, as when a phone is turned
     * @param  float  $seconds  how long it lasts, as far as its times tell
     * @param  float  $pictureSeconds  how long its picture lasts: what stands still at the end sends nothing
     * @param  string|null  $range  of the picture's colours, as the container says
     * @param  string|null  $matrix  of the picture's colours, as the container says
     */
    public function __construct(
        public ?string $videoCodec,
        public int $width,
        public int $height,
        public ?string $audioCodec,
        public bool $changesSize,
        public float $seconds = 0.0,
        public float $pictureSeconds = 0.0,
        public ?string $range = null,
        public ?string $matrix = null,
    ) {
    }

    /** A browser makes the colours of a captured tab by BT.601, and says BT.709: measured, in Chromium 156. */
    public function ofTab(): self
    {
        return new self(
            $this->videoCodec, $this->width, $this->height, $this->audioCodec, $this->changesSize, $this->seconds,
            $this->pictureSeconds, $this->range, 'smpte170m',
        );
    }

    public function isEmpty(): bool
    {
        return $this->videoCodec === null && $this->audioCodec === null;
    }
}
