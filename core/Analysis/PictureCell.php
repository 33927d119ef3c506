<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

/** @internal of Framing: a cell of a CameraLook, by column and row */
final readonly class PictureCell
{
    public function __construct(public int $x, public int $y)
    {
    }
}
