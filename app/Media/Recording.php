<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;

/** What came from one recorder. */
final readonly class Recording
{
    /**
     * @param  Tick  $offset  moment of the take at which it began, as the recorder noted it
     * @param  bool  $inStep  the microphone is heard in it, on the left, so that it can be told exactly when it began
     * @param  string|null  $surface  what a screen was taken from
     */
    public function __construct(
        public TrackKind $kind,
        public string $path,
        public Tick $offset,
        public bool $inStep = false,
        public ?string $surface = null,
    ) {
    }
}
