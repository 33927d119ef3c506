<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/**
 * A moment or a length of time in whole ticks of 1/48000 s, never negative.
 *
 * One tick is one audio sample, and a frame is a whole number of ticks at every offered rate, so nothing is lost
 * until the assembly rounds to frames.
 */
final readonly class Tick
{
    public const RATE = 48_000;

    public const PER_MILLISECOND = 48;

    private function __construct(public int $count)
    {
    }

    /** @throws TimeError when negative */
    public static function of(int $ticks): self
    {
        return $ticks >= 0 ? new self($ticks) : throw TimeError::negative($ticks);
    }

    public static function zero(): self
    {
        return new self(0);
    }

    /** @throws TimeError when negative */
    public static function ofMilliseconds(int $milliseconds): self
    {
        return self::of($milliseconds * self::PER_MILLISECOND);
    }

    /**
     * Rounded to the nearest tick; for lengths other programs report in seconds.
     *
     * @throws TimeError when negative
     */
    public static function ofSeconds(float $seconds): self
    {
        return self::of((int) round($seconds * self::RATE));
    }

    /** @throws TimeError when negative */
    public static function ofFrames(int $frames, FrameRate $rate): self
    {
        return self::of($frames * $rate->ticksPerFrame());
    }

    /** Minutes and seconds, as the interface writes them, also beyond an hour: `75:12`. */
    public function clock(): string
    {
        $seconds = intdiv($this->milliseconds(), 1000);

        return sprintf('%d:%02d', intdiv($seconds, 60), $seconds % 60);
    }

    /** Rounded to the nearest millisecond, halves up. */
    public function milliseconds(): int
    {
        return intdiv($this->count + intdiv(self::PER_MILLISECOND, 2), self::PER_MILLISECOND);
    }

    public function seconds(): float
    {
        return $this->count / self::RATE;
    }

    /** Frames needed to hold this length whole: rounded up. */
    public function framesToHold(FrameRate $rate): int
    {
        return intdiv($this->count + $rate->ticksPerFrame() - 1, $rate->ticksPerFrame());
    }

    public function plus(self $other): self
    {
        return new self($this->count + $other->count);
    }

    /** @return self the difference, or zero when the other is later */
    public function minusOrZero(self $other): self
    {
        return new self(max(0, $this->count - $other->count));
    }

    public function isBefore(self $other): bool
    {
        return $this->count < $other->count;
    }

    public static function earlier(self $a, self $b): self
    {
        return $a->count <= $b->count ? $a : $b;
    }

    public static function later(self $a, self $b): self
    {
        return $a->count >= $b->count ? $a : $b;
    }
}
