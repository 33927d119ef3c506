<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

final class TimeError extends DomainError
{
    public static function unknownRate(int $fps): self
    {
        $says = "A frame rate of {$fps} is not offered. Choose 24, 25, 30, 50 or 60 frames per second.";

        return new self($says, 'frame rate', $fps);
    }

    public static function negative(int $ticks): self
    {
        return new self("A time cannot lie before the start ({$ticks} ticks).", 'time', $ticks);
    }

    public static function endsBeforeItStarts(int $from, int $until): self
    {
        return new self("The end must come after the start (from tick {$from} until tick {$until}).", 'end', $until);
    }
}
