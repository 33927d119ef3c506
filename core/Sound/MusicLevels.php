<?php

declare(strict_types=1);

namespace OpenReel\Core\Sound;

/** How loud music is, and how it steps back while somebody speaks. */
final readonly class MusicLevels
{
    /**
     * @param  float  $under  LU by which it lies under the voice while nobody speaks
     * @param  float  $depth  dB by which it steps back
     * @param  int  $attackMs  it takes to step back; it has when speech begins
     * @param  int  $releaseMs  it takes to come again, from where speech ends
     */
    public function __construct(
        public float $under = 6.0,
        public float $depth = 12.0,
        public int $attackMs = 300,
        public int $releaseMs = 1_200,
    ) {
    }
}
