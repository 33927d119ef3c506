<?php

declare(strict_types=1);

namespace OpenReel\Core\EditList;

/** A stretch of a file, and where in the film it lies. */
final readonly class EditEvent
{
    /**
     * @param  string  $hash  SHA-256 of the file
     * @param  string  $says  what it is, for whoever edits
     * @param  int  $in  frame of the file, at the film's rate, with which it begins; 0 for a picture that stands
     * @param  int  $from  frame of the film
     * @param  int  $frames  of the film
     * @param  float  $pace  so many times as fast as it was recorded
     * @param  int|null  $length  frames of the whole file; null for a picture that stands
     * @param  int  $overlap  frames that it is seen together with the clip before it
     */
    public function __construct(
        public string $hash,
        public string $says,
        public int $in,
        public int $from,
        public int $frames,
        public float $pace = 1.0,
        public ?int $length = null,
        public int $overlap = 0,
    ) {
    }

    public function until(): int
    {
        return $this->from + $this->frames;
    }

    /** @return int frames of the file that it lasts */
    public function lasts(): int
    {
        return (int) round($this->frames * $this->pace);
    }

    public function isStill(): bool
    {
        return $this->length === null;
    }

    /** Without some frames at its beginning and its end. */
    public function trimmed(int $before, int $behind): self
    {
        return new self(
            $this->hash,
            $this->says,
            $this->isStill() ? 0 : $this->in + (int) round($before * $this->pace),
            $this->from + $before,
            $this->frames - $before - $behind,
            $this->pace,
            $this->length,
            $this->overlap,
        );
    }
}
