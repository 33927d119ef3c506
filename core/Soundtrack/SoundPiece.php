<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Sound\CleanVoice;

/**
 * A take's sound as long as it goes on without a cut, at the target loudness, with a little more on either side to be
 * crossfaded: raw PCM, 48 kHz, stereo, 16 bits.
 */
final readonly class SoundPiece
{
    /** Samples before and behind that crossfades reach into: 20 ms, so that a cut is crossfaded over 40 ms. */
    public const HANDLE = 960;

    /**
     * @param  string|null  $sound  hash of the take's sound file; null makes silence
     * @param  int  $from  sample of the file at which the piece begins; below zero, the file begins later
     * @param  int  $samples  without the handles
     * @param  float  $target  LUFS
     * @param  float|null  $loudness  LUFS of the whole take: where the search for the gain starts; not part of the key, because
     *                                it follows from the sound
     * @param  float|null  $peak  dBFS of the whole take, likewise
     * @param  ComputerSound|null  $computer  what is heard of the computer beside the voice
     * @param  CleanVoice|null  $clean  the voice is heard as this; null as it was recorded
     */
    public function __construct(
        public ?string $sound,
        public int $from,
        public int $samples,
        public float $target,
        public ?float $loudness = null,
        public ?float $peak = null,
        public ?ComputerSound $computer = null,
        public ?CleanVoice $clean = null,
    ) {
    }

    /** @return list<string> hashes of the files it is made from */
    public function files(): array
    {
        return array_values(array_filter([$this->sound, $this->computer?->sound], fn (?string $h): bool => $h !== null));
    }

    /** @return int samples of its file */
    public function withHandles(): int
    {
        return $this->samples + 2 * self::HANDLE;
    }

    /** Whether it can be as loud as it is meant to be without a limiter having anything to do. */
    public function needsNoLimiter(float $gain): bool
    {
        return $this->computer === null &&
            $this->clean === null &&
            $this->peak !== null &&
            $this->peak + $gain <= SoundCommand::SAFE_PEAK;
    }

    /** @param  array<string, mixed>  $piece  as `toArray` gives it */
    public static function parse(array $piece): self
    {
        return new self(
            $piece['sound'],
            $piece['from'],
            $piece['samples'],
            $piece['target'],
            $piece['loudness'],
            $piece['peak'],
            isset($piece['computer']) ? new ComputerSound(...$piece['computer']) : null,
            isset($piece['clean']) ? CleanVoice::parse($piece['clean']) : null,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'sound' => $this->sound,
            'from' => $this->from,
            'samples' => $this->samples,
            'target' => $this->target,
            'loudness' => $this->loudness,
            'peak' => $this->peak,
        ] + $this->more();
    }

    /** @return array<string, mixed> what not every piece has */
    private function more(): array
    {
        return ($this->computer === null ? [] : ['computer' => $this->computer->toArray()]) +
            ($this->clean === null ? [] : ['clean' => $this->clean->toArray()]);
    }

    public function key(string $encoder): string
    {
        return CacheKey::of('sound', $this->inputs(), $encoder);
    }

    /** @return array<string, mixed> */
    public function inputs(): array
    {
        return [
            'sound' => $this->sound,
            'from' => $this->sound === null ? 0 : $this->from,
            'samples' => $this->samples,
            'target' => $this->sound === null ? 0.0 : $this->target,
            'recipe' => SoundCommand::VERSION,
        ] + $this->more() + ($this->clean === null ? [] : ['cleaning' => CleanVoice::VERSION]);
    }
}
