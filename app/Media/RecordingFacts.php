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
     */
    public function __construct(
        public ?string $videoCodec,
        public int $width,
        public int $height,
        public ?string $audioCodec,
        public bool $changesSize,
    ) {
    }

    public function isEmpty(): bool
    {
        return $this->videoCodec === null && $this->audioCodec === null;
    }
}
