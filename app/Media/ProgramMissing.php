<?php

declare(strict_types=1);

namespace App\Media;

final class ProgramMissing extends InfrastructureFailure
{
    public static function named(string $program): self
    {
        return new self(
            "The program {$program}, which makes and reads the films, is not installed on the server. Your takes are safe. "
                .'Ask whoever runs Open Reel to run bin/setup.',
            "{$program} could not be started",
        );
    }
}
