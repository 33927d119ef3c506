<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Problem;

final class RenderProblem extends Problem
{
    public static function emptyJoin(): self
    {
        return new self('Two sections are too short to be faded into each other.');
    }
}
