<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Sound\LoudnessReport;

/** Files that a pass over a recording made, and what is known of them. */
final readonly class MadeFiles
{
    /**
     * @param  string|null  $media  path of the picture; null without one
     * @param  string|null  $flac  path of the sound; null without one
     * @param  Levels|null  $levels  of the sound
     * @param  bool  $hasMicrophone  the sound comes from a microphone of its own
     */
    public function __construct(
        public ?string $media,
        public ?string $flac,
        public RecordingFacts $facts,
        public ?Levels $levels,
        public LoudnessReport $loudness,
        public Tick $length,
        public bool $hasMicrophone,
    ) {
    }
}
