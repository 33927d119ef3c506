<?php

declare(strict_types=1);

namespace App\Web;

/** Files of a certificate, the chain in one, and its key. */
final readonly class Certificate
{
    public function __construct(public string $chain, public string $key)
    {
    }
}
