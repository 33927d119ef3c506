<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Auth\AuthenticationException;

/** A page that one person opened asks, and another has signed in in that browser since. */
final class SessionUserChanged extends AuthenticationException
{
    private function __construct(public readonly string $name)
    {
        parent::__construct("{$name} has signed in here since. Sign in again; nothing is lost.");
    }

    public static function signedIn(string $name): self
    {
        return new self($name);
    }
}
