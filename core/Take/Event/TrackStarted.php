<?php

declare(strict_types=1);

namespace OpenReel\Core\Take\Event;

use OpenReel\Core\Picture\TrackKind;

/** The recorder of one track began. */
final readonly class TrackStarted extends TakeEvent
{
    /**
     * @param  bool  $inStep  the microphone is recorded along with it, to tell exactly when it began
     * @param  string|null  $surface  what a screen was taken from: `monitor`, `window`, `browser`
     */
    public function __construct(
        int $atMs,
        public TrackKind $track,
        public bool $inStep = false,
        public ?string $surface = null,
    ) {
        parent::__construct($atMs);
    }

    public function toArray(): array
    {
        return array_filter(
            [
                'kind' => 'start', 'track' => $this->track->value, 'in_step' => $this->inStep ?: null,
                'surface' => $this->surface,
            ],
            fn (mixed $v): bool => $v !== null,
        );
    }
}
