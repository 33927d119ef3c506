<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** One thing in the frame: what it shows, where, and how it is cut out, laid over and moved. */
final readonly class Layer
{
    /**
     * @param  PixelRect  $rect  where it lies, once it has come to rest
     * @param  Crop|null  $crop  part of the source that is shown; null for all of it
     * @param  float  $opacity  0..1
     */
    public function __construct(
        public Source $source,
        public PixelRect $rect,
        public Fit $fit = Fit::Whole,
        public ?Edge $edge = null,
        public ?Crop $crop = null,
        public float $opacity = 1.0,
        public ?Motion $motion = null,
    ) {
    }

    /** Whether it is the same on every frame, and can be put together with others once: what has an edge is cut out later. */
    public function stands(): bool
    {
        return $this->source instanceof Still && $this->motion === null && $this->edge === null;
    }

    /** Whether both are seen at some same place at some time. */
    public function meets(self $other): bool
    {
        foreach (array_filter([$this->rect, $this->motion?->from]) as $mine) {
            foreach (array_filter([$other->rect, $other->motion?->from]) as $theirs) {
                if ($mine->overlaps($theirs)) {
                    return true;
                }
            }
        }

        // On its way from one place to another it may pass over anything.
        return $this->motion !== null || $other->motion !== null;
    }

    /** @return array<string, mixed> everything about it but what its source shows */
    public function toArray(): array
    {
        return [
            'rect' => $this->rect->toArray(),
            'fit' => $this->fit->value,
            'edge' => $this->edge?->toArray(),
            'crop' => $this->crop?->toArray(),
            'opacity' => $this->opacity,
            'motion' => $this->motion?->toArray(),
        ];
    }
}
