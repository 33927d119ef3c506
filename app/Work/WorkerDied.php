<?php

declare(strict_types=1);

namespace App\Work;

/** A job took its worker down, again and again. */
final class WorkerDied extends \RuntimeException
{
    public static function times(int $deaths): self
    {
        return new self("the worker died {$deaths} times");
    }
}
