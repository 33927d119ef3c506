<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Time\Tick;

/** A film that has been made for the stage, as a draft. */
final readonly class StageFilm
{
    /** A GIF of one picture is given some frames of time. */
    private const LEAST_MS = 150;

    /** @param  Picture  $poster  its first picture */
    public function __construct(
        public string $path,
        public int $width,
        public int $height,
        public Tick $length,
        public Picture $poster,
    ) {
    }

    /** Whether it is more than one picture. */
    public function moves(): bool
    {
        return $this->length->milliseconds() > self::LEAST_MS;
    }
}
