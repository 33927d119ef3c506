<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Listening\Levels;
use OpenReel\Core\Render\LoudnessReport;
use OpenReel\Core\Time\Tick;

/** What was made of a recording: drafts to be put in their place, and what was heard. */
final readonly class MadeTake
{
    /**
     * @param  string|null  $media  path of the picture, with sound for playing; null without a picture
     * @param  string|null  $sound  path of the sound as FLAC; null without sound
     * @param  array{int, int}|null  $size  width and height as shown
     * @param  string|null  $range  of the picture's colours, as the file says
     * @param  string|null  $matrix  of the picture's colours, as the file says
     */
    public function __construct(
        public ?string $media,
        public ?string $sound,
        public Levels $levels,
        public LoudnessReport $loudness,
        public Tick $length,
        public ?array $size,
        public ?string $range,
        public ?string $matrix,
    ) {
    }
}
