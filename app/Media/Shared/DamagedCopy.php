<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\InfrastructureFailure;

/** What came from the shared disk is not what was put there. */
final class DamagedCopy extends InfrastructureFailure
{
    public static function of(string $name): self
    {
        return new self(
            'A file on the disk that the servers share is damaged. The rest is safe. Ask whoever runs Open Reel to bring it '
                .'back from a backup.',
            "{$name} does not have the hash that was noted with it",
        );
    }
}
