<?php

declare(strict_types=1);

namespace App\Media;

final class Cancelled extends InfrastructureFailure
{
    public static function byPresenter(): self
    {
        return new self('It was cancelled.');
    }
}
