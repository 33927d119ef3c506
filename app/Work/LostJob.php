<?php

declare(strict_types=1);

namespace App\Work;

/** A job that a worker took and has not finished. */
final readonly class LostJob
{
    /**
     * @param  array<string, mixed>  $payload
     * @param  \Closure(array<string, mixed>): bool  $again  hands it out again with another payload, unless somebody else
     *    has done something with it meanwhile
     * @param  \Closure(): bool  $giveUp
     */
    public function __construct(public array $payload, public \Closure $again, public \Closure $giveUp)
    {
    }
}
