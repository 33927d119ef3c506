<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** What a prober found in a finished file. */
final readonly class ExportFacts
{
    public function __construct(
        public int $frames,
        public int $width,
        public int $height,
        public string $videoCodec,
        public string $audioCodec,
        public float $soundSeconds,
        public int $chapters,
        public bool $hasCaptions = false,
    ) {
    }
}
