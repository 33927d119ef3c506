<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A film is wanted. */
final readonly class ExportRequested
{
    use Dispatchable;

    public function __construct(public string $exportId)
    {
    }
}
