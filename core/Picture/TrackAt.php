<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Kernel\Tick;

/** A take's moving picture, from some moment on. */
final readonly class TrackAt implements Source
{
    /**
     * @param  string  $hash  SHA-256 of its file; empty for a camera that nothing is recorded from yet
     * @param  Tick  $at  moment of the file that the first frame shows
     * @param  Tick  $late  how long its first picture stands before that, because the track began later than the take
     * @param  Adjustment|null  $adjustment  how its colours are changed
     * @param  int  $pace  so many times as fast as it was recorded
     * @param  Still|null  $slide  of whose film it is; null for what a take recorded
     * @param  Crop|null  $part  that is shown: a camera's framing, a screen's area; null for all of it
     */
    public function __construct(
        public TrackKind $kind,
        public Shape $shape,
        public string $hash,
        public SourceColour $colour,
        public Tick $at,
        public Tick $late,
        public ?Crop $part = null,
        public ?Adjustment $adjustment = null,
        public int $pace = 1,
        public ?Still $slide = null,
    ) {
    }

    /** @param  Tick  $at  how long it has been on the stage */
    public static function film(ClipSource $film, Still $slide, Tick $at): self
    {
        $colour = SourceColour::tagged('tv', 'bt709', $film->shape->height);

        return new self(TrackKind::Screen, $film->shape, $film->hash, $colour, $at, Tick::zero(), slide: $slide);
    }

    /** What a device would show: only its shape is known. */
    public static function live(TrackKind $kind, Shape $shape, ?Crop $part = null): self
    {
        return new self($kind, $shape, '', SourceColour::tagged(null, null, $shape->height), Tick::zero(), Tick::zero(), $part);
    }

    /** The shape of what is shown of it. */
    public function seen(): Shape
    {
        return $this->part?->shape($this->shape) ?? $this->shape;
    }

    public function key(): array
    {
        return [
            'track' => $this->hash,
            'colour' => $this->colour->asInput(),
            'at' => $this->at->count,
            'late' => $this->late->count,
        ]
            + ($this->adjustment === null ? [] : ['adjustment' => $this->adjustment->matrix()])
            + ($this->pace === 1 ? [] : ['pace' => $this->pace]);
    }

    public function files(): array
    {
        return $this->hash === '' ? [] : [$this->hash];
    }
}
