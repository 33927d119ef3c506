<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\InfrastructureFailure;

/** The shared disk does not answer, or does not take what is put there. */
final class SharedDiskAway extends InfrastructureFailure
{
    public static function because(\Throwable $e): self
    {
        return new self(
            'The disk that the servers share does not answer, so this has to wait. Nothing recorded is lost.',
            $e->getMessage(),
        );
    }
}
