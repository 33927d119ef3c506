<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** There is a take of which nobody knows yet which words are said in it. */
final readonly class TakesWaitForAlignment
{
    use Dispatchable;
}
