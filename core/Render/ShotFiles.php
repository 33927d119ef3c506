<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** Where the files lie that a segment's picture is made from; each is needed when the spec shows it. */
final readonly class ShotFiles
{
    /**
     * @param  string|null  $mask  picture of the inset's size: white where the camera is seen
     * @param  string|null  $border  picture of the inset's size with the border on a transparent ground
     */
    public function __construct(
        public ?string $camera = null,
        public ?string $slide = null,
        public ?string $logo = null,
        public ?string $mask = null,
        public ?string $border = null,
    ) {
    }
}
