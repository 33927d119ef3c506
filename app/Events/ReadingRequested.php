<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A section too long to be read while somebody waits is wanted in the preview voice. */
final readonly class ReadingRequested
{
    use Dispatchable;

    public function __construct(public string $sectionId)
    {
    }
}
