<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** The take a section uses: what is taken from it and what it can show. */
final readonly class TakeSource
{
    /**
     * @param  Span  $used  the part that goes into the lesson, in take time
     * @param  Shape|null  $camera  null when the take has sound only
     * @param  string|null  $mediaHash  SHA-256 of the picture's file, null when there is none
     * @param  string|null  $soundHash  SHA-256 of the sound's file, null when there is none
     * @param  float|null  $loudness  LUFS of the whole take, null when it could not be measured
     * @param  array<string, Tick>  $lines  when each line begins in the take, by line id; may be empty when nothing
     *                                      changes inside the section
     * @param  SourceColour|null  $colour  how the picture's colours are meant; null when there is none
     */
    public function __construct(
        public string $id,
        public int $number,
        public Span $used,
        public ?Shape $camera,
        public ?string $mediaHash,
        public ?string $soundHash,
        public ?float $loudness,
        public array $lines = [],
        public ?SourceColour $colour = null,
    ) {
    }

    /** Where in the take a place in its lines lies; null when it does not speak that line. */
    public function at(string $line, float $within): ?Tick
    {
        $from = $this->lines[$line] ?? null;
        if ($from === null) {
            return null;
        }
        $until = $this->used->until;
        foreach ($this->lines as $other) {
            if ($from->isBefore($other) && $other->isBefore($until)) {
                $until = $other;
            }
        }

        return Tick::of($from->count + (int) round(($until->count - $from->count) * $within));
    }
}
