<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

/** The computer's own sound in a piece of a take: heard beside the voice, and quieter, so that the words stay clear. */
final readonly class ComputerSound
{
    /** Nothing is turned up by more than this: what was silence would be noise. */
    private const MOST_GAIN = 20.0;

    /**
     * @param  string  $sound  hash of its file
     * @param  int  $from  sample of the file at which the piece begins; below zero, the file begins later
     * @param  float  $gain  dB
     */
    public function __construct(public string $sound, public int $from, public float $gain)
    {
    }

    /**
     * @param  float  $level  LUFS
     * @param  float|null  $loudness  LUFS of the sound; null when nothing is heard in it
     */
    public static function at(float $level, string $sound, int $from, ?float $loudness): self
    {
        $gain = $loudness === null ? 0.0 : min(self::MOST_GAIN, $level - $loudness);

        return new self($sound, $from, round($gain, 2));
    }

    /** @return array{sound: string, from: int, gain: float} */
    public function toArray(): array
    {
        return ['sound' => $this->sound, 'from' => $this->from, 'gain' => $this->gain];
    }
}
