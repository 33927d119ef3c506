<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A film is there, made and checked. */
final readonly class ExportFinished
{
    use Dispatchable;

    /** @param  list<string>  $takeIds  that the film shows */
    public function __construct(public string $exportId, public array $takeIds)
    {
    }
}
