<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Shape;

final readonly class SlideSource
{
    /** @param  string  $hash  SHA-256 of the slide's file */
    public function __construct(public string $id, public Shape $shape, public string $hash)
    {
    }
}
