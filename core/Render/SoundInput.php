<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** Where the sound that belongs to a picture comes from. */
final readonly class SoundInput
{
    /**
     * @param  string|null  $path  of a recording of its own; null when it lies in that of the picture
     * @param  float  $later  seconds by which it began later than the picture; negative when it began before
     * @param  string|null  $codec  null when there is no sound in it
     * @param  bool  $isRight  only what is heard on the right is meant
     */
    public function __construct(public ?string $path, public float $later, public ?string $codec, public bool $isRight = false)
    {
    }
}
