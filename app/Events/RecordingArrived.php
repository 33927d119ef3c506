<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** All of a recording is on the server. */
final readonly class RecordingArrived
{
    use Dispatchable;

    public function __construct(public string $takeId)
    {
    }
}
