<?php

declare(strict_types=1);

namespace App\Media;

final class SiteUnreachable extends InfrastructureFailure
{
    public static function because(\Throwable $e): self
    {
        return new self(
            'The folder of the course site does not take the film: it cannot be reached, is full or wants other keys. '
                .'What viewers see there is as it was. Try again, or ask whoever looks after it.',
            $e->getMessage(),
        );
    }
}
