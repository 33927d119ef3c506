<?php

declare(strict_types=1);

namespace App\Media;

final class DiskFull extends InfrastructureFailure
{
    public static function writing(string $what): self
    {
        return new self(
            "The server's disk is full, so {$what} could not be written. What was recorded before is safe. Free some space "
                .'and try again; it will go on from here.',
            'no space left on the media disk',
        );
    }
}
