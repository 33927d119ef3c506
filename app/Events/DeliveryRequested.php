<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A film is wanted in the folder of a course site. */
final readonly class DeliveryRequested
{
    use Dispatchable;

    public function __construct(public string $deliveryId)
    {
    }
}
