<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\DomainError;

final class RenderError extends DomainError
{
    /** @param  int  $frame  of the film, at which the second begins */
    public static function emptyJoin(int $frame): self
    {
        return new self('Two sections are too short to be faded into each other.', 'join', $frame);
    }

    public static function unknownFigure(): self
    {
        return new self('A figure of no known kind is to be drawn.', 'the marks of a shot');
    }
}
