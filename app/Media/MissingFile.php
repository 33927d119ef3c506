<?php

declare(strict_types=1);

namespace App\Media;

/** A file that the film is made from is not where it was. */
final class MissingFile extends InfrastructureFailure
{
    public static function named(string $hash): self
    {
        return new self(
            'A slide or a take that the film needs is missing on the server. The rest is safe. Bring it in again, or ask '
                .'whoever runs Open Reel.',
            "no file is known for {$hash}",
        );
    }
}
