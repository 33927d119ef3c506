<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;

/** A film that has been made for the stage, as a draft. */
final readonly class StageClip
{
    /** A GIF of one picture is given some frames of time. */
    private const LEAST_MS = 150;

    /** @param  ImageInfo  $poster  its first picture */
    public function __construct(
        public string $path,
        public int $width,
        public int $height,
        public Tick $length,
        public ImageInfo $poster,
    ) {
    }

    /** Whether it is more than one picture. */
    public function moves(): bool
    {
        return $this->length->milliseconds() > self::LEAST_MS;
    }
}
