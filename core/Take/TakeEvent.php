<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** Something that happened while recording, in milliseconds of wall time since the recorder started. */
final readonly class TakeEvent
{
    /** @param  array<string, mixed>  $data  everything else the recorder noted */
    public function __construct(public int $atMs, public string $kind, public array $data = [])
    {
    }
}
