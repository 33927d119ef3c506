<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** How a voice is cleaned: chosen for a lesson, or for a take otherwise. The recording is never touched. */
final readonly class Cleaning
{
    /**
     * @param  bool  $hum  hum of the mains is filtered out, where it was heard
     * @param  bool  $lowCut  what lies under the voice is taken away: footsteps, a knock at the table, wind
     */
    public function __construct(
        public NoiseReduction $noise = NoiseReduction::Off,
        public bool $hum = false,
        public bool $lowCut = false,
    ) {
    }

    /** @param  array<string, mixed>  $stored  as toArray gives it; what is missing is off */
    public static function parse(array $stored): self
    {
        return new self(
            NoiseReduction::tryFrom((string) ($stored['noise'] ?? '')) ?? NoiseReduction::Off,
            (bool) ($stored['hum'] ?? false),
            (bool) ($stored['low_cut'] ?? false),
        );
    }

    /** @return array{noise: string, hum: bool, low_cut: bool} */
    public function toArray(): array
    {
        return ['noise' => $this->noise->value, 'hum' => $this->hum, 'low_cut' => $this->lowCut];
    }
}
