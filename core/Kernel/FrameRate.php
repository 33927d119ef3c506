<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** Frames per second, limited to the rates at which a frame is a whole number of ticks. */
final readonly class FrameRate
{
    /** @var list<int> */
    public const OFFERED = [24, 25, 30, 50, 60];

    private function __construct(public int $fps)
    {
    }

    /** @throws TimeError when the rate is not one of OFFERED */
    public static function of(int $fps): self
    {
        return in_array($fps, self::OFFERED, true) ? new self($fps) : throw TimeError::unknownRate($fps);
    }

    /** How many frames are nearest to so many milliseconds. */
    public function frames(int $milliseconds): int
    {
        return (int) round($milliseconds * $this->fps / 1000);
    }

    /** Ticks (audio samples) in one frame: 2000, 1920, 1600, 960 or 800. */
    public function ticksPerFrame(): int
    {
        return intdiv(Tick::RATE, $this->fps);
    }
}
