<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Tick;

/** The sound of one segment: exactly as many samples as its frames have ticks, at the target loudness. */
final readonly class SoundSpec
{
    /**
     * @param  string|null  $sound  hash of the take's sound file; null makes silence
     * @param  Tick  $in  where in the sound file the segment starts
     * @param  Tick  $used  how much of the sound is used; the rest of the last frame is silent
     * @param  Tick  $length  samples of the finished sound
     * @param  float|null  $loudness  LUFS of the whole take: where the search for the gain starts; not part of the key,
     *                                because it follows from the sound
     */
    private function __construct(
        public ?string $sound,
        public Tick $in,
        public Tick $used,
        public Tick $length,
        public float $target,
        public ?float $loudness,
    ) {
    }

    /** @param  float  $target  LUFS */
    public static function of(Segment $segment, FrameRate $rate, float $target): self
    {
        $take = $segment->take;
        $length = Tick::ofFrames($segment->frames, $rate);

        return $take === null
            ? new self(null, Tick::zero(), Tick::zero(), $length, $target, null)
            : new self($take->soundHash, $take->used->from, $take->used->length(), $length, $target, $take->loudness);
    }

    public function key(string $encoder): string
    {
        return CacheKey::of('sound', [
            'sound' => $this->sound,
            'in' => $this->in->count,
            'used' => $this->used->count,
            'samples' => $this->length->count,
            'target' => $this->target,
            'recipe' => SoundCommand::RECIPE,
        ], $encoder);
    }
}
