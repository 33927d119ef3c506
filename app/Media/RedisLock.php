<?php

declare(strict_types=1);

namespace App\Media;

final class RedisLock implements Lock
{
    /** @param  \Closure(): mixed  $open */
    public function __construct(private readonly \Closure $open)
    {
    }

    public function release(): void
    {
        ($this->open)();
    }
}
